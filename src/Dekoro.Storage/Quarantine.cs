using System.Globalization;

namespace Dekoro.Storage;

/// <summary>
/// Where originals wait that no record names, under the moment they were found and their hash. Files lie here without
/// any help of a database: it is there for when that is lost or old.
/// </summary>
public sealed class Quarantine(string folder, IFileLayer? layer = null)
{
    private const string Moment = "yyyyMMdd'T'HHmmss'Z'";

    private readonly IFileLayer _layer = layer ?? DiskLayer.Instance;

    /// <summary>Newest first.</summary>
    public IReadOnlyList<QuarantinedFile> All() =>
        !Directory.Exists(folder)
            ? []
            :
            [
                .. Directory
                    .EnumerateFiles(folder)
                    .Select(Read)
                    .OfType<QuarantinedFile>()
                    .OrderByDescending(f => f.Since)
                    .ThenBy(f => f.Name, StringComparer.Ordinal),
            ];

    /// <returns>Null for one that does not wait there.</returns>
    public QuarantinedFile? Find(string name) => All().FirstOrDefault(f => f.Name == name);

    /// <summary>Its content.</summary>
    public Stream Open(QuarantinedFile file) => File.OpenRead(Path.Combine(folder, file.Name));

    /// <summary>Where it lies, for what reads files by their path.</summary>
    public string PathOf(QuarantinedFile file) => Path.Combine(folder, file.Name);

    /// <summary>For good: it is in the library again, or has waited long enough.</summary>
    public void Remove(QuarantinedFile file) => File.Delete(Path.Combine(folder, file.Name));

    internal void Take(string path, string sha256, DateTimeOffset now) =>
        _layer.Place(
            path,
            Path.Combine(folder, $"{now.ToUniversalTime().ToString(Moment, CultureInfo.InvariantCulture)}-{sha256}")
        );

    private static QuarantinedFile? Read(string path)
    {
        var parts = Path.GetFileName(path).Split('-', 2);
        return
            parts.Length == 2
            && FileStore.IsHash(parts[1])
            && DateTimeOffset.TryParseExact(
                parts[0],
                Moment,
                CultureInfo.InvariantCulture,
                DateTimeStyles.AssumeUniversal,
                out var since
            )
            ? new(Path.GetFileName(path), parts[1], new FileInfo(path).Length, since)
            : null;
    }
}
