using System.Security.Cryptography;
using System.Text;

namespace Dekoro.Server.Work;

/// <summary>
/// The public site: a folder named by its content, and one pointer that is swapped when it is whole. A visitor never meets
/// half of a site, and a process killed at any moment leaves the old one standing.
/// </summary>
public sealed class LiveSite
{
    private const int ReleasesKept = 5;
    private readonly string _folder, _pointer;
    private volatile Served? _served;

    public LiveSite(Workspace workspace)
    {
        _folder = workspace.Folder("live");
        _pointer = Path.Combine(_folder, "current");
        if (File.Exists(_pointer)) _served = Served.In(_folder, File.ReadAllText(_pointer).Trim());
    }

    public bool IsThere => _served is not null;

    /// <summary>Names the release, for browsers that ask whether what they hold still stands: times of files cannot tell two releases of one second apart, nor an older one that is had back.</summary>
    public string Release => _served is null ? "" : Path.GetFileName(_served.Folder);

    /// <summary>The file at an address under the site; null where there is none. Only files of the release are ever looked up.</summary>
    public string? PathOf(string address) => _served?.Files.GetValueOrDefault(address);

    /// <returns>The release's name, and how many files had to be written for it.</returns>
    public (string Release, int Written) GoLive(IReadOnlyDictionary<string, SiteFile> files)
    {
        var manifest = string.Join('\n', files.Select(f => $"{f.Value.Sha256} {f.Key}"));
        var name = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(manifest)).AsSpan(0, 10));
        var (folder, written) = (Path.Combine(_folder, name), 0);
        if (!Directory.Exists(folder))
        {
            var building = folder + ".building";
            if (Directory.Exists(building)) Directory.Delete(building, recursive: true);
            written = StaticFolder.WriteInto(building, files, sameFrom: _served?.Folder);
            Directory.Move(building, folder);
        }
        var served = Served.In(_folder, name);
        File.WriteAllText(_pointer + ".new", name);
        File.Move(_pointer + ".new", _pointer, overwrite: true);
        _served = served;
        foreach (var old in new DirectoryInfo(_folder).EnumerateDirectories().Where(d => d.Name != name).OrderByDescending(d => d.CreationTimeUtc).Skip(ReleasesKept - 1))
            old.Delete(recursive: true);
        return (name, written);
    }

    private sealed record Served(string Folder, IReadOnlyDictionary<string, string> Files)
    {
        public static Served? In(string releases, string name)
        {
            var folder = Path.Combine(releases, name);
            return !Directory.Exists(folder) ? null : new(folder, Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories)
                .ToDictionary(f => Path.GetRelativePath(folder, f).Replace(Path.DirectorySeparatorChar, '/'), f => f, StringComparer.Ordinal));
        }
    }
}
