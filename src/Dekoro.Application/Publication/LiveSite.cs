using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>
/// The public site: a folder named by its content, and one pointer that is swapped when it is whole. A visitor never
/// meets half of a site, and a process killed at any moment leaves the old one standing. A list beside each release
/// says how long each file is and what it hashes to; what was damaged since is mended from the same file elsewhere, or
/// the last whole release is served.
/// </summary>
public sealed class LiveSite
{
    private const int ReleasesKept = 5,
        ReleasesKnown = 50;

    /// <summary>Begins the names of releases that are not served before their time.</summary>
    private const string Later = "later-";

    /// <summary>Ends the name of the list beside a release.</summary>
    private const string ListEnding = ".files";

    private readonly string _folder,
        _pointer,
        _renditions;
    private readonly IFileLayer _layer;
    private readonly TimeProvider _clock;
    private readonly ILogger<LiveSite> _log;

    /// <summary>What is served now, and after it what is from a time on.</summary>
    private volatile Served[] _line;

    /// <summary>Opens what was served last, or the last of it that is whole.</summary>
    public LiveSite(Workspace workspace, TimeProvider clock, ILogger<LiveSite> log)
    {
        (_clock, _layer, _log) = (clock, workspace.Layer, log);
        _folder = workspace.Folder("live");
        _renditions = workspace.Folder("renditions");
        _pointer = Path.Combine(_folder, "current");
        _line = Opened(workspace.Releases.NewestFirst(ReleasesKnown));
    }

    /// <summary>Whether there is a public site.</summary>
    public bool IsThere => _line.Length > 0;

    /// <summary>What was found wrong at the start and is to be published again; empty for nothing.</summary>
    public string Damage { get; private set; } = "";

    /// <summary>
    /// Names the release, for browsers that ask whether what they hold still stands: times of files cannot tell two
    /// releases of one second apart, nor an older one that is had back.
    /// </summary>
    public string Release => Now?.Name ?? "";

    /// <summary>
    /// Whether a release is what was served last, or what that has become by itself since: its day may have passed.
    /// </summary>
    public bool HasGoneLive(string release) => _line.Any(s => s.Name == release);

    /// <summary>
    /// The file at an address under the site; null where there is none. Only files of the release are ever looked up.
    /// </summary>
    public string? PathOf(string address) => Now?.Files.GetValueOrDefault(address);

    private Served? Now => _clock.GetUtcNow() is var now ? _line.LastOrDefault(s => s.From <= now) : null;

    /// <summary>Writes a site whole and flushed, to be served by <see cref="Serve"/>.</summary>
    /// <param name="later">What takes its place by itself, each from its time on, in their order.</param>
    public WrittenSite Write(IReadOnlyDictionary<string, SiteFile> files, IReadOnlyList<LaterSite>? later = null)
    {
        var (name, written) = Write("", files, Now?.Folder);
        return new(
            name,
            written,
            [.. (later ?? []).Select(l => (Write(Later, l.Files, Path.Combine(_folder, name)).Name, l.From))]
        );
    }

    /// <summary>From here on visitors meet it.</summary>
    public void Serve(WrittenSite site)
    {
        Served[] line =
        [
            .. site
                .Later.Select(l => Served.In(_folder, l.Name, l.From)!)
                .Prepend(Served.In(_folder, site.Release, DateTimeOffset.MinValue)!),
        ];
        var pointer = site
            .Later.Select(l => string.Create(CultureInfo.InvariantCulture, $"{l.Name} {l.From:O}"))
            .Prepend(site.Release);
        _layer.Replace(_pointer, Encoding.UTF8.GetBytes(string.Join('\n', pointer) + "\n"));
        (_line, Damage) = (line, "");
        try
        {
            ClearAllBut([.. site.Later.Select(l => l.Name), site.Release]);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            _log.LogWarning(e, "Older releases could not be cleared away; the next publishing tries again.");
        }
    }

    private void ClearAllBut(HashSet<string> kept)
    {
        var others = new DirectoryInfo(_folder)
            .EnumerateDirectories()
            .Where(d => !kept.Contains(d.Name))
            .ToLookup(d => d.Name.StartsWith(Later, StringComparison.Ordinal));
        foreach (
            var old in others[true]
                .Concat(others[false].OrderByDescending(d => d.CreationTimeUtc).Skip(ReleasesKept - 1))
        )
        {
            File.Delete(old.FullName + ListEnding);
            old.Delete(recursive: true);
        }
    }

    /// <summary>Writes and serves in one go.</summary>
    /// <returns>The release's name, and how many files had to be written for it.</returns>
    public (string Release, int Written) GoLive(
        IReadOnlyDictionary<string, SiteFile> files,
        IReadOnlyList<LaterSite>? later = null
    )
    {
        var site = Write(files, later);
        Serve(site);
        return (site.Release, site.Written);
    }

    private (string Name, int Written) Write(string kind, IReadOnlyDictionary<string, SiteFile> files, string? sameFrom)
    {
        var manifest = string.Join(
            '\n',
            files.OrderBy(f => f.Key, StringComparer.Ordinal).Select(f => $"{f.Value.Sha256} {f.Key}")
        );
        var name = kind + Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(manifest)).AsSpan(0, 10));
        var folder = Path.Combine(_folder, name);
        if (Directory.Exists(folder))
        {
            // There already: what of it was damaged since is written anew.
            var mended = StaticFolder.WriteInto(folder, files, _layer, sameFrom);
            WriteList(folder, files);
            return (name, mended);
        }
        var building = folder + ".building";
        if (Directory.Exists(building))
            Directory.Delete(building, recursive: true);
        _layer.MakeFolder(building);
        var written = StaticFolder.WriteInto(building, files, _layer, sameFrom);
        WriteList(folder, files);
        _layer.Move(building, folder);
        _layer.FlushFolder(_folder);
        return (name, written);
    }

    private void WriteList(string folder, IReadOnlyDictionary<string, SiteFile> files) =>
        _layer.Replace(
            folder + ListEnding,
            Encoding.UTF8.GetBytes(
                string.Concat(
                    files
                        .OrderBy(f => f.Key, StringComparer.Ordinal)
                        .Select(f =>
                            string.Create(CultureInfo.InvariantCulture, $"{f.Value.Sha256} {f.Value.Bytes} {f.Key}\n")
                        )
                )
            )
        );

    /// <param name="known">Names of releases, newest first: what to serve where the pointer says nothing.</param>
    private Served[] Opened(IReadOnlyList<string> known)
    {
        var pointed = PointedAt();
        if (pointed is [{ IsWhole: true }, ..])
            return [.. pointed.Where(s => s.IsWhole)];
        foreach (var damaged in pointed.Where(s => !s.IsWhole))
            Mend(damaged);
        if (pointed.Length > 0)
            pointed = PointedAt();
        if (pointed is [{ IsWhole: true }, ..])
            return [.. pointed.Where(s => s.IsWhole)];
        // A folder that neither a pointer nor a record speaks of was written and never served.
        var unrecorded = File.Exists(_pointer) ? Directory.EnumerateDirectories(_folder) : [];
        var before = known
            .Concat(unrecorded.OrderByDescending(Directory.GetCreationTimeUtc).Select(d => Path.GetFileName(d)!))
            .Where(n =>
                !n.StartsWith(Later, StringComparison.Ordinal) && !n.EndsWith(".building", StringComparison.Ordinal)
            )
            .Distinct()
            .Select(n => Served.In(_folder, n, DateTimeOffset.MinValue))
            .OfType<Served>()
            .ToList();
        if (before.Count == 0)
            return [];
        var whole = before.Find(s => s.IsWhole);
        Damage =
            whole is null || pointed.Length > 0
                ? "Files of the public site were damaged on the disk. What could be mended was; publish to make "
                    + "all of it anew."
                : "The public site's pointer was damaged on the disk, and the last whole site is served. "
                    + "Publish to be sure that it is the newest.";
        _log.LogWarning("{Damage}", Damage);
        return [whole ?? pointed.FirstOrDefault() ?? before[0]];
    }

    /// <summary>What the pointer names and is there, in its order; nothing where it is empty or torn.</summary>
    private Served[] PointedAt()
    {
        if (!File.Exists(_pointer))
            return [];
        var served = new List<Served>();
        foreach (var line in File.ReadAllLines(_pointer).Select(l => l.Trim().Split(' ')))
        {
            var isFirst = served.Count == 0;
            var from = DateTimeOffset.MinValue;
            var isRead =
                line[0].Length > 0
                && StaticFolder.IsInside(line[0])
                && !line[0].Contains('/')
                && (
                    isFirst
                    || line.Length > 1 && DateTimeOffset.TryParse(line[1], CultureInfo.InvariantCulture, out from)
                );
            if (isRead && Served.In(_folder, line[0], from) is { } one)
                served.Add(one);
            // The first names what is served at once: without it the others are no line.
            else if (isFirst)
                return [];
        }
        return [.. served];
    }

    /// <summary>Puts the same content in place of damaged files, where another release or a made file has it.</summary>
    private void Mend(Served site)
    {
        foreach (var (name, file) in site.Damaged)
        {
            var elsewhere = Directory.EnumerateDirectories(_folder).Select(d => Path.Combine(d, name));
            if (name.StartsWith("media/", StringComparison.Ordinal) && Path.GetFileName(name) is { Length: > 2 } made)
                elsewhere = elsewhere.Append(Path.Combine(_renditions, made[..2], made));
            if (elsewhere.FirstOrDefault(path => file.IsAt(path)) is not { } same)
                continue;
            var beside = Path.Combine(site.Folder, name) + ".new";
            Directory.CreateDirectory(Path.GetDirectoryName(beside)!);
            File.Copy(same, beside, overwrite: true);
            _layer.FlushFile(beside);
            _layer.Move(beside, Path.Combine(site.Folder, name));
            _log.LogWarning("{Name} of the public site was damaged and is mended.", name);
        }
    }

    /// <param name="Damaged">Those that are not there as they were written.</param>
    private sealed record Served(
        string Name,
        string Folder,
        DateTimeOffset From,
        IReadOnlyDictionary<string, string> Files,
        IReadOnlyDictionary<string, SiteFile> Damaged
    )
    {
        public bool IsWhole => Damaged.Count == 0;

        public static Served? In(string releases, string name, DateTimeOffset from)
        {
            var folder = Path.Combine(releases, name);
            if (!Directory.Exists(folder))
                return null;
            var there = Directory
                .EnumerateFiles(folder, "*", SearchOption.AllDirectories)
                .ToDictionary(
                    f => Path.GetRelativePath(folder, f).Replace(Path.DirectorySeparatorChar, '/'),
                    f => f,
                    StringComparer.Ordinal
                );
            // One that an earlier version wrote has no list: it stands as it is.
            var damaged = ListOf(folder)
                .Where(f => !f.Value.IsAt(Path.Combine(folder, f.Key), isThorough: false))
                .ToDictionary();
            foreach (var torn in damaged.Keys)
                there.Remove(torn);
            return new(name, folder, from, there, damaged);
        }

        private static Dictionary<string, SiteFile> ListOf(string folder)
        {
            var files = new Dictionary<string, SiteFile>(StringComparer.Ordinal);
            if (!File.Exists(folder + ListEnding))
                return files;
            foreach (var parts in File.ReadLines(folder + ListEnding).Select(l => l.Split(' ', 3)))
            {
                if (
                    parts.Length == 3
                    && StaticFolder.IsInside(parts[2])
                    && long.TryParse(parts[1], CultureInfo.InvariantCulture, out var bytes)
                )
                    files[parts[2]] = new(parts[0], bytes, null, null);
            }
            return files;
        }
    }
}
