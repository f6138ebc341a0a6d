using System.Security.Cryptography;

namespace Dekoro.Storage;

/// <param name="Sha256">Hex.</param>
public sealed record StoredFile(string Sha256, long Bytes, string Path);

/// <summary>
/// Originals by the hash of their content: written beside their place, flushed, renamed, never changed. No path is ever
/// made from a name that someone gave.
/// </summary>
public sealed class FileStore
{
    private readonly string _folder;
    private readonly string _incoming;

    public FileStore(string folder)
    {
        _folder = folder;
        _incoming = Path.Combine(folder, "incoming");
        Directory.CreateDirectory(_incoming);
        // What was being written when the process ended belongs to nobody.
        foreach (var left in Directory.EnumerateFiles(_incoming)) File.Delete(left);
    }

    /// <summary>Copies a stream to a file of its own, hashing on the way; <see cref="Keep"/> or <see cref="Drop"/> it.</summary>
    /// <exception cref="IOException">The disk is full, or the stream ended badly; nothing is left behind.</exception>
    public async Task<StoredFile> ReceiveAsync(Stream content, long mostBytes, CancellationToken stop)
    {
        var path = Path.Combine(_incoming, Guid.NewGuid().ToString("N"));
        try
        {
            using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
            long bytes = 0;
            await using (var file = new FileStream(path, FileMode.CreateNew, FileAccess.Write, FileShare.None, 1 << 16))
            {
                var buffer = new byte[1 << 16];
                for (int read; (read = await content.ReadAsync(buffer, stop)) > 0;)
                {
                    bytes += read;
                    // One byte past the limit is enough to refuse it later, with its own sentence.
                    if (bytes > mostBytes + buffer.Length) break;
                    hash.AppendData(buffer, 0, read);
                    await file.WriteAsync(buffer.AsMemory(0, read), stop);
                }
                file.Flush(flushToDisk: true);
            }
            return new(Convert.ToHexStringLower(hash.GetHashAndReset()), bytes, path);
        }
        catch
        {
            File.Delete(path);
            throw;
        }
    }

    /// <summary>Moves a received file to its place for good.</summary>
    public string Keep(StoredFile received)
    {
        var path = PathOf(received.Sha256);
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        if (File.Exists(path)) File.Delete(received.Path);
        else File.Move(received.Path, path);
        return path;
    }

    /// <summary>Removes a kept file that no record names any more.</summary>
    public void Forget(string sha256) => File.Delete(PathOf(sha256));

    public void Drop(StoredFile received) => File.Delete(received.Path);

    /// <summary>Where the file with this hash is, or would be.</summary>
    /// <exception cref="ArgumentException">Not a SHA-256 in small hex.</exception>
    public string PathOf(string sha256)
    {
        if (sha256.Length != 64 || !sha256.All(char.IsAsciiHexDigitLower)) throw new ArgumentException("Not a SHA-256.", nameof(sha256));
        return Path.Combine(_folder, sha256[..2], sha256[2..]);
    }

    /// <summary>Removes files that no record names: a crash can leave one between its writing and its recording.</summary>
    public int Sweep(IReadOnlySet<string> recorded)
    {
        var removed = 0;
        foreach (var folder in Directory.EnumerateDirectories(_folder).Where(d => Path.GetFileName(d).Length == 2))
        {
            foreach (var file in Directory.EnumerateFiles(folder).Where(f => !recorded.Contains(Path.GetFileName(folder) + Path.GetFileName(f))))
            {
                File.Delete(file);
                removed++;
            }
        }
        return removed;
    }
}
