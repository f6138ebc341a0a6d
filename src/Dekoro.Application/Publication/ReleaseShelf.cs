using System.Collections.Immutable;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>The lists of releases on the disk, each there twice, and how they are read.</summary>
internal sealed class ReleaseShelf(string folder, SiteStore store, IFileLayer layer)
{
    private const string Spare = ".spare";

    private readonly string _lists = Path.Combine(folder, "releases");

    /// <summary>Names of all that lie there, the newest first.</summary>
    public IReadOnlyList<string> Names =>
        Directory.Exists(_lists)
            ?
            [
                .. new DirectoryInfo(_lists)
                    .EnumerateFiles()
                    .Where(f => !f.Name.Contains('.', StringComparison.Ordinal))
                    .OrderByDescending(f => f.LastWriteTimeUtc)
                    .Select(f => f.Name),
            ]
            : [];

    /// <summary>Writes a list, to be flushed with the rest.</summary>
    public void Write(string name, byte[] list)
    {
        layer.MakeFolder(_lists);
        foreach (var path in new[] { PathOf(name), PathOf(name) + Spare })
        {
            if (!File.Exists(path) || SiteRelease.NameOf(File.ReadAllBytes(path)) != name)
            {
                using (var to = layer.Create(path + ".new"))
                    to.Write(list);
                layer.Move(path + ".new", path);
            }
            File.SetLastWriteTimeUtc(path, DateTime.UtcNow);
        }
    }

    /// <summary>A list that is whole; null for one that is not there, or damaged twice.</summary>
    public byte[]? Find(string name) =>
        StaticFolder.IsInside(name) && !name.Contains('/', StringComparison.Ordinal)
            ? new[] { PathOf(name), PathOf(name) + Spare }
                .Where(File.Exists)
                .Select(File.ReadAllBytes)
                .FirstOrDefault(list => SiteRelease.NameOf(list) == name)
            : null;

    /// <summary>Takes a list away.</summary>
    public void Remove(string name)
    {
        File.Delete(PathOf(name));
        File.Delete(PathOf(name) + Spare);
    }

    /// <summary>A release as its list says, beginning with what is known of another.</summary>
    public SiteRelease Read(string name, byte[] list, SiteRelease known)
    {
        var lines = SiteRelease.LinesOf(list).ToList();
        var wanted = lines.ToDictionary(l => l.Key, l => l.Sha256, StringComparer.Ordinal);
        var gone = known.Parts.Values.Where(p => wanted.GetValueOrDefault(p.Key) != p.Sha256).ToList();
        var come = lines.Where(l => known.Parts.GetValueOrDefault(l.Key)?.Sha256 != l.Sha256).ToList();
        var leaving = gone.Select(p => Find(p.Key, p.Sha256)).ToList();
        // What of it is to go cannot be told any more: all is read anew.
        if (leaving.Contains(null))
            return Read(name, list, SiteRelease.Empty);
        var read = come.Select(l => (l.Key, Part: Find(l.Key, l.Sha256))).ToList();
        return known.With(name, leaving.OfType<ReadPart>(), read.Select(r => r.Part).OfType<ReadPart>()) with
        {
            Damaged = [.. read.Where(r => r.Part is null).Select(r => r.Key)],
        };
    }

    /// <summary>One part with its files; null where it is damaged twice.</summary>
    public ReadPart? Find(string key, string sha256) =>
        store.Read(sha256) is { } content ? PartText.Read(key, sha256, content) : null;

    /// <summary>The hashes of all that some releases name, and names of their pictures' files.</summary>
    public IReadOnlySet<string> NamedBy(IEnumerable<string> releases)
    {
        var named = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (sha256, key) in releases.Select(Find).OfType<byte[]>().SelectMany(SiteRelease.LinesOf))
        {
            if (!named.Add(sha256) || Find(key, sha256) is not { } part)
                continue;
            foreach (var (address, file) in part.Files)
                named.Add(SiteStore.IsMedia(address) ? Path.GetFileName(address) : file.Sha256);
        }
        return named;
    }

    private string PathOf(string name) => Path.Combine(_lists, name);
}
