using System.Globalization;
using System.Security.Cryptography;
using System.Text;

namespace Dekoro.Server.Work;

/// <summary>A site that is served from a time on.</summary>
public sealed record LaterSite(DateTimeOffset From, IReadOnlyDictionary<string, SiteFile> Files);

/// <summary>
/// The public site: a folder named by its content, and one pointer that is swapped when it is whole. A visitor never meets
/// half of a site, and a process killed at any moment leaves the old one standing.
/// </summary>
public sealed class LiveSite
{
    private const int ReleasesKept = 5;

    /// <summary>Begins the names of releases that are not served before their time.</summary>
    private const string Later = "later-";

    private readonly string _folder, _pointer;
    private readonly TimeProvider _clock;

    /// <summary>What is served now, and after it what is from a time on.</summary>
    private volatile Served[] _line = [];

    public LiveSite(Workspace workspace, TimeProvider clock)
    {
        _clock = clock;
        _folder = workspace.Folder("live");
        _pointer = Path.Combine(_folder, "current");
        if (File.Exists(_pointer)) _line = [.. File.ReadAllLines(_pointer).Select(line => line.Split(' ')).Select(Read).OfType<Served>()];
    }

    // The first names what is served at once.
    private Served? Read(string[] line) => Served.In(_folder, line[0].Trim(), line.Length > 1 ? DateTimeOffset.Parse(line[1], CultureInfo.InvariantCulture) : DateTimeOffset.MinValue);

    private Served? Now => _clock.GetUtcNow() is var now ? _line.LastOrDefault(s => s.From <= now) : null;

    public bool IsThere => _line.Length > 0;

    /// <summary>Names the release, for browsers that ask whether what they hold still stands: times of files cannot tell two releases of one second apart, nor an older one that is had back.</summary>
    public string Release => Now is { } served ? Path.GetFileName(served.Folder) : "";

    /// <summary>The file at an address under the site; null where there is none. Only files of the release are ever looked up.</summary>
    public string? PathOf(string address) => Now?.Files.GetValueOrDefault(address);

    /// <param name="later">What takes its place by itself, each from its time on, in their order.</param>
    /// <returns>The release's name, and how many files had to be written for it.</returns>
    public (string Release, int Written) GoLive(IReadOnlyDictionary<string, SiteFile> files, IReadOnlyList<LaterSite>? later = null)
    {
        var (name, written) = Write("", files, Now?.Folder);
        var ahead = (later ?? []).Select(l => (Write(Later, l.Files, Path.Combine(_folder, name)).Name, l.From)).ToList();
        File.WriteAllLines(_pointer + ".new", ahead.Select(l => string.Create(CultureInfo.InvariantCulture, $"{l.Name} {l.From:O}")).Prepend(name));
        Served[] line = [.. ahead.Select(l => Served.In(_folder, l.Name, l.From)!).Prepend(Served.In(_folder, name, DateTimeOffset.MinValue)!)];
        File.Move(_pointer + ".new", _pointer, overwrite: true);
        _line = line;
        var kept = ahead.Select(l => l.Name).Append(name).ToHashSet();
        var others = new DirectoryInfo(_folder).EnumerateDirectories().Where(d => !kept.Contains(d.Name)).ToLookup(d => d.Name.StartsWith(Later, StringComparison.Ordinal));
        foreach (var old in others[true].Concat(others[false].OrderByDescending(d => d.CreationTimeUtc).Skip(ReleasesKept - 1))) old.Delete(recursive: true);
        return (name, written);
    }

    private (string Name, int Written) Write(string kind, IReadOnlyDictionary<string, SiteFile> files, string? sameFrom)
    {
        var manifest = string.Join('\n', files.OrderBy(f => f.Key, StringComparer.Ordinal).Select(f => $"{f.Value.Sha256} {f.Key}"));
        var name = kind + Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(manifest)).AsSpan(0, 10));
        var (folder, written) = (Path.Combine(_folder, name), 0);
        if (!Directory.Exists(folder))
        {
            var building = folder + ".building";
            if (Directory.Exists(building)) Directory.Delete(building, recursive: true);
            written = StaticFolder.WriteInto(building, files, sameFrom);
            Directory.Move(building, folder);
        }
        return (name, written);
    }

    private sealed record Served(string Folder, DateTimeOffset From, IReadOnlyDictionary<string, string> Files)
    {
        public static Served? In(string releases, string name, DateTimeOffset from)
        {
            var folder = Path.Combine(releases, name);
            return !Directory.Exists(folder) ? null : new(folder, from, Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories)
                .ToDictionary(f => Path.GetRelativePath(folder, f).Replace(Path.DirectorySeparatorChar, '/'), f => f, StringComparer.Ordinal));
        }
    }
}
