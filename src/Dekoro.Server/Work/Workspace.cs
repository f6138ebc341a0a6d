using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;
using Dekoro.Core.Documents;
using Dekoro.Core.Sites;
using Dekoro.Core.Widths;
using Dekoro.Imaging;
using Dekoro.Storage;

namespace Dekoro.Server.Work;

/// <summary>Where things are kept, from the command line and the environment.</summary>
/// <param name="DataFolder">Database, originals, renditions and the live site.</param>
/// <param name="ClientFolder">The built tool; null where only the interface for programs is served.</param>
/// <param name="DemoFolder">The demo site's files and pages, taken in when the library is empty; null for none.</param>
public sealed record Places(string DataFolder, string? ClientFolder, string? DemoFolder)
{
    /// <summary>A folder of mails (.eml) to choose from; null for none.</summary>
    public string? MailFolder { get; init; }

    public EncodingEffort Effort { get; init; }

    /// <summary>Hosts, perhaps with a port, that may be fetched from although they lie on this machine's own network.</summary>
    public IReadOnlyList<string> AllowedHosts { get; init; } = [];

    /// <summary>Names by which the tool is asked for, beside those of this machine itself.</summary>
    public IReadOnlyList<string> Hosts { get; init; } = [];

    /// <summary>A name under which the public site alone is served, at its root; null for none.</summary>
    public string? SiteHost { get; init; }

    /// <summary>So much of the disk is left free for drafts and the database: with less, no files are taken in.</summary>
    public long ReserveBytes { get; init; } = 1L << 30;

    /// <summary>The database may be missing beside originals: a new one is begun, and they wait in quarantine.</summary>
    public bool BeginsAnew { get; init; }
}

/// <summary>One data folder, opened: the database, the originals and what stands beside them.</summary>
public sealed class Workspace : IDisposable
{
    /// <summary>The database, as it is named in every data folder.</summary>
    public const string DatabaseName = "dekoro.db";

    /// <summary>The folder of originals in every data folder.</summary>
    public const string OriginalsName = "originals";

    private readonly FileStream _held;

    /// <exception cref="IOException">Another process has this data folder open.</exception>
    /// <exception cref="RefusedDataException">What lies there is not opened, so that nothing of it is lost.</exception>
    public Workspace(Places places, TimeProvider clock, IFileLayer layer)
    {
        (Places, Layer) = (places, layer);
        Directory.CreateDirectory(places.DataFolder);
        _held = Hold(Path.Combine(places.DataFolder, "in-use"));
        var originals = Path.Combine(places.DataFolder, OriginalsName);
        try
        {
            if (!places.BeginsAnew) RefuseOrphans(places.DataFolder, originals);
            Database = new Database(Path.Combine(places.DataFolder, DatabaseName));
        }
        catch
        {
            _held.Dispose();
            throw;
        }
        Assets = new Assets(Database);
        Downloads = new Downloads(Database);
        Editions = new Editions(Database);
        Pages = new Pages(Database);
        States = new PageStates(Database);
        ArrangementStates = new ArrangementStates(Database);
        Sent = new SentDrafts(Database);
        Releases = new Releases(Database);
        Renditions = new Renditions(Database);
        MadeFiles = new MadeFiles(Database);
        Jobs = new Jobs(Database);
        Searches = new KeptSearches(Database);
        Arrangements = new Arrangements(Database);
        Settings = new Settings(Database);
        OwnColumns = new OwnColumns(Settings);
        Files = new FileStore(originals, layer);
        Quarantine = new Quarantine(Path.Combine(places.DataFolder, "quarantine"), layer);
        Files.SetApart(new HashSet<string>([.. Assets.KeptHashes(), .. Downloads.All().Select(d => d.Sha256)]), Quarantine, clock.GetUtcNow());
        Style = new StyleShelf(Settings);
    }

    public Places Places { get; }

    /// <summary>Through which files come to their place for good.</summary>
    public IFileLayer Layer { get; }
    public Database Database { get; }
    public Assets Assets { get; }
    public Downloads Downloads { get; }
    public OwnColumns OwnColumns { get; }
    public Editions Editions { get; }
    public Pages Pages { get; }
    public PageStates States { get; }
    public ArrangementStates ArrangementStates { get; }
    public SentDrafts Sent { get; }
    public Releases Releases { get; }
    public Renditions Renditions { get; }
    public MadeFiles MadeFiles { get; }
    public Jobs Jobs { get; }
    public KeptSearches Searches { get; }
    public Arrangements Arrangements { get; }
    public Settings Settings { get; }
    public FileStore Files { get; }
    public Quarantine Quarantine { get; }
    public StyleShelf Style { get; }

    public string PathOf(Asset asset) => Files.PathOf(asset.KeptSha256);

    public string Folder(string name)
    {
        var folder = Path.Combine(Places.DataFolder, name);
        Layer.MakeFolder(folder);
        return folder;
    }

    /// <summary>Whether there is room for files beside what drafts and the database need.</summary>
    public bool HasRoom => new DriveInfo(Places.DataFolder).AvailableFreeSpace >= Places.ReserveBytes;

    public void Dispose()
    {
        Database.Dispose();
        _held.Dispose();
    }

    /// <summary>A database that is missing beside originals was lost, and a new one would name none of them.</summary>
    private static void RefuseOrphans(string data, string originals)
    {
        var path = Path.Combine(data, DatabaseName);
        if (File.Exists(path) && new FileInfo(path).Length > 0) return;
        var count = FileStore.HashesIn(originals).Count();
        if (count == 0) return;
        throw new RefusedDataException(
            $"{DatabaseName} is {(File.Exists(path) ? "empty" : "missing")}, but {count} originals lie beside it, so nothing was opened or changed. "
            + "Put the database back, or restore a backup into another folder with: dekoro restore DIR --data FOLDER. "
            + "If neither is to be had: dekoro recover --data FOLDER begins a new database and takes the originals into its library; their words and all pages are lost then.");
    }

    /// <summary>Two processes on one data folder would set apart each other's files.</summary>
    private static FileStream Hold(string path)
    {
        try
        {
            return new FileStream(path, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException e) when (!DurableWrites.IsFull(e))
        {
            throw new IOException($"The data folder {Path.GetDirectoryName(path)} is in use by another Dekoro: stop that one, or give another folder with --data.", e);
        }
    }
}

/// <summary>The site's style, kept as a setting; computed values are never kept.</summary>
public sealed class StyleShelf(Settings settings)
{
    private const string Name = "style";
    private volatile Held? _held;

    private sealed record Held(SiteStyle Style, string Mark);

    public SiteStyle Current => Now.Style;

    /// <summary>Names the style as it is: another one, another mark.</summary>
    public string Mark => Now.Mark;

    public void Set(StoredStyle style)
    {
        settings.Set(Name, Json.Write(style));
        _held = null;
    }

    /// <summary>Works out another style from the one there is, with nobody between.</summary>
    /// <param name="change">Null leaves it.</param>
    public void Change(Func<SiteStyle, SiteStyle?> change)
    {
        settings.Change(Name, was => change(StyleOf(was.Json)) is { } now ? Json.Write(StoredStyle.Of(now)) : null);
        _held = null;
    }

    private Held Now => _held ??= Read(settings.Get(Name));

    private static Held Read(string? json)
    {
        var style = StyleOf(json);
        return new(style, MarkOf(StoredStyle.Of(style)));
    }

    private static SiteStyle StyleOf(string? json) => json is null ? new SiteStyle { Face = Dekoro.Publishing.Faces.Newsreader } : Json.Read<StoredStyle>(json).ToStyle();

    /// <summary>Names any value as it is, by what is written of it.</summary>
    public static string MarkOf<T>(T value) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(Json.Write(value))).AsSpan(0, 8));
}

/// <summary>A look with a name, as it is kept and sent.</summary>
public sealed record StoredLook(string Id, string Name, LookValues Look)
{
    public static StoredLook Of(NamedLook look) => new(look.Id, look.Name, LookValues.Of(look.Look));
}

/// <summary>What a site has set for itself; what is null is as delivered.</summary>
public sealed record StoredStyle(
    string Name, string? Language = null, SiteColours? Colours = null, WidthClasses? Classes = null, PerClass<double>? PaddingPx = null,
    double? ColumnPx = null, double? WidePx = null, double? GutterPx = null, double? TextPx = null, double? LineHeight = null,
    PerClass<int>? FirstScreenPx = null, ImmutableArray<string>? Shapes = null, ImmutableArray<StoredLook>? Looks = null, string? Zone = null)
{
    public static StoredStyle Of(SiteStyle style) => new(style.Name, style.Language, style.Colours, style.Classes, style.PaddingPx,
        style.ColumnPx, style.WidePx, style.GutterPx, style.TextPx, style.LineHeight, style.FirstScreenPx, style.Shapes, [.. style.Looks.Select(StoredLook.Of)], style.Zone);

    public SiteStyle ToStyle()
    {
        var style = new SiteStyle { Name = Name, Face = Dekoro.Publishing.Faces.Newsreader };
        return style with
        {
            Language = Language ?? style.Language,
            Zone = Zone ?? style.Zone,
            Colours = Colours ?? style.Colours,
            Classes = Classes ?? style.Classes,
            PaddingPx = PaddingPx ?? style.PaddingPx,
            ColumnPx = ColumnPx ?? style.ColumnPx,
            WidePx = WidePx ?? style.WidePx,
            GutterPx = GutterPx ?? style.GutterPx,
            TextPx = TextPx ?? style.TextPx,
            LineHeight = LineHeight ?? style.LineHeight,
            FirstScreenPx = FirstScreenPx ?? style.FirstScreenPx,
            Shapes = Shapes ?? style.Shapes,
            Looks = Looks is { } looks ? [.. looks.Select(l => new NamedLook(l.Id, l.Name, l.Look.Read().Look ?? PictureLook.None))] : [],
        };
    }
}
