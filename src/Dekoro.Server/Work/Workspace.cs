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
}

/// <summary>One data folder, opened: the database, the originals and what stands beside them.</summary>
public sealed class Workspace : IDisposable
{
    private readonly FileStream _held;

    /// <exception cref="IOException">Another process has this data folder open.</exception>
    public Workspace(Places places)
    {
        Places = places;
        Directory.CreateDirectory(places.DataFolder);
        _held = Hold(Path.Combine(places.DataFolder, "in-use"));
        Database = new Database(Path.Combine(places.DataFolder, "dekoro.db"));
        Assets = new Assets(Database);
        Downloads = new Downloads(Database);
        Editions = new Editions(Database);
        Pages = new Pages(Database);
        States = new PageStates(Database);
        ArrangementStates = new ArrangementStates(Database);
        Sent = new SentDrafts(Database);
        Releases = new Releases(Database);
        Renditions = new Renditions(Database);
        Searches = new KeptSearches(Database);
        Arrangements = new Arrangements(Database);
        Settings = new Settings(Database);
        OwnColumns = new OwnColumns(Settings);
        Files = new FileStore(Path.Combine(places.DataFolder, "originals"));
        Files.Sweep(new HashSet<string>([.. Assets.KeptHashes(), .. Downloads.All().Select(d => d.Sha256)]));
        Style = new StyleShelf(Settings);
    }

    public Places Places { get; }
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
    public KeptSearches Searches { get; }
    public Arrangements Arrangements { get; }
    public Settings Settings { get; }
    public FileStore Files { get; }
    public StyleShelf Style { get; }

    public string PathOf(Asset asset) => Files.PathOf(asset.KeptSha256);

    public string Folder(string name) => Directory.CreateDirectory(Path.Combine(Places.DataFolder, name)).FullName;

    public void Dispose()
    {
        Database.Dispose();
        _held.Dispose();
    }

    /// <summary>Two processes on one data folder would sweep away each other's files.</summary>
    private static FileStream Hold(string path)
    {
        try
        {
            return new FileStream(path, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException e)
        {
            throw new IOException($"The data folder {Path.GetDirectoryName(path)} is in use by another Dekoro: stop that one, or give another folder with --data.", e);
        }
    }
}

/// <summary>The site's style, kept as a setting; computed values are never kept.</summary>
public sealed class StyleShelf(Settings settings)
{
    private const string Name = "style";
    private SiteStyle? _style;
    private string? _mark;

    public SiteStyle Current => _style ??= settings.Get(Name) is { } json ? Json.Read<StoredStyle>(json).ToStyle() : new SiteStyle { Face = Dekoro.Publishing.Faces.Newsreader };

    public void Set(StoredStyle style)
    {
        settings.Set(Name, Json.Write(style));
        (_style, _mark) = (style.ToStyle(), null);
    }

    /// <summary>Names the style as it is: another one, another mark.</summary>
    public string Mark => _mark ??= Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(Json.Write(StoredStyle.Of(Current)))).AsSpan(0, 8));
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
