using Dekoro.Application.Site;
using Dekoro.Storage;

namespace Dekoro.Application.Hosting;

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
    public Workspace(DataOptions places, TimeProvider clock, IFileLayer layer)
    {
        (Places, Layer) = (places, layer);
        Directory.CreateDirectory(places.DataFolder);
        _held = Hold(Path.Combine(places.DataFolder, "in-use"));
        var originals = Path.Combine(places.DataFolder, OriginalsName);
        try
        {
            if (!places.BeginsAnew)
                RefuseOrphans(places.DataFolder, originals);
            Database = new Database(Path.Combine(places.DataFolder, DatabaseName));
        }
        catch
        {
            _held.Dispose();
            throw;
        }
        Assets = new Assets(Database);
        Looks = new Looks(Database);
        Deposits = new Deposits(Database);
        Downloads = new Downloads(Database);
        Editions = new Editions(Database);
        Pages = new Pages(Database);
        States = new PageStates(Database);
        Sent = new SentDrafts(Database);
        Releases = new Releases(Database);
        Renditions = new Renditions(Database);
        MadeFiles = new MadeFiles(Database);
        Jobs = new Jobs(Database);
        Searches = new KeptSearches(Database);
        Arrangements = new ContentTable(Database, "arrangement", "changed_at DESC, id");
        Banners = new Banners(Database);
        Settings = new Settings(Database);
        Touched = new Touched(Database);
        OwnColumns = new OwnColumns(Settings);
        Files = new FileStore(originals, layer);
        Quarantine = new Quarantine(Path.Combine(places.DataFolder, "quarantine"), layer);
        Files.SetApart(
            new HashSet<string>([.. Assets.KeptHashes(), .. Downloads.All().Select(d => d.Sha256)]),
            Quarantine,
            clock.GetUtcNow()
        );
        Style = new StyleShelf(Settings);
    }

    /// <summary>Where everything lies.</summary>
    public DataOptions Places { get; }

    /// <summary>Through which files come to their place for good.</summary>
    public IFileLayer Layer { get; }

    /// <summary>The database, open as long as the program runs.</summary>
    public Database Database { get; }

    /// <summary>What pictures look like.</summary>
    public Looks Looks { get; }

    /// <summary>The pictures of the library.</summary>
    public Assets Assets { get; }

    /// <summary>Pictures on their way to the archive.</summary>
    public Deposits Deposits { get; }

    /// <summary>The other files of the library.</summary>
    public Downloads Downloads { get; }

    /// <summary>The library's fields of its own.</summary>
    public OwnColumns OwnColumns { get; }

    /// <summary>The versions of pictures.</summary>
    public Editions Editions { get; }

    /// <summary>Pages and posts.</summary>
    public Pages Pages { get; }

    /// <summary>How pages stood earlier.</summary>
    public PageStates States { get; }

    /// <summary>Drafts that a window has sent, so that one sent twice counts once.</summary>
    public SentDrafts Sent { get; }

    /// <summary>What has been published.</summary>
    public Releases Releases { get; }

    /// <summary>Names of files to be made of pictures, each with what it is made by.</summary>
    public Renditions Renditions { get; }

    /// <summary>Length and hash of each file made.</summary>
    public MadeFiles MadeFiles { get; }

    /// <summary>Long work and what came of it.</summary>
    public Jobs Jobs { get; }

    /// <summary>Searches kept under a name.</summary>
    public KeptSearches Searches { get; }

    /// <summary>Galleries, sliders and carousels.</summary>
    public ContentTable Arrangements { get; }

    /// <summary>What stands at the top of pages on some days.</summary>
    public Banners Banners { get; }

    /// <summary>What was written since when.</summary>
    public Touched Touched { get; }

    /// <summary>Single values by name.</summary>
    public Settings Settings { get; }

    /// <summary>Originals, by their hash.</summary>
    public FileStore Files { get; }

    /// <summary>Files that no record names.</summary>
    public Quarantine Quarantine { get; }

    /// <summary>The site's style.</summary>
    public StyleShelf Style { get; }

    /// <summary>Where the file lies that a picture is read from.</summary>
    public string PathOf(Asset asset) => Files.PathOf(asset.KeptSha256);

    /// <summary>A folder inside the data folder, made where it is missing.</summary>
    public string Folder(string name)
    {
        var folder = Path.Combine(Places.DataFolder, name);
        Layer.MakeFolder(folder);
        return folder;
    }

    /// <summary>Whether there is room for files beside what drafts and the database need.</summary>
    public bool HasRoom => new DriveInfo(Places.DataFolder).AvailableFreeSpace >= Places.ReserveBytes;

    /// <inheritdoc/>
    public void Dispose()
    {
        Database.Dispose();
        _held.Dispose();
    }

    /// <summary>A database that is missing beside originals was lost, and a new one would name none of them.</summary>
    private static void RefuseOrphans(string data, string originals)
    {
        var path = Path.Combine(data, DatabaseName);
        if (File.Exists(path) && new FileInfo(path).Length > 0)
            return;
        var count = FileStore.HashesIn(originals).Count();
        if (count == 0)
            return;
        throw new RefusedDataException(
            $"{DatabaseName} is {(File.Exists(path) ? "empty" : "missing")}, but {count} originals lie beside "
                + "it, so nothing was opened or changed. "
                + "Put the database back, or restore a backup into another folder with: dekoro restore DIR "
                + "--data FOLDER. "
                + "If neither is to be had: dekoro recover --data FOLDER begins a new database and takes the "
                + "originals into its library; their words and all pages are lost then."
        );
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
            throw new IOException(
                $"The data folder {Path.GetDirectoryName(path)} is in use by another Dekoro: stop that one, or "
                    + "give another folder with --data.",
                e
            );
        }
    }
}
