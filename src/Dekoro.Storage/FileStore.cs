using System.Security.Cryptography;

namespace Dekoro.Storage;

/// <summary>
/// Originals by the hash of their content: written beside their place, flushed, renamed, never changed. No path is ever
/// made from a name that someone gave. Who needs a file says so from the moment it is received (<see cref="Claim"/>),
/// so that nobody else's letting go can take it.
/// </summary>
public sealed class FileStore
{
    private readonly string _folder,
        _incoming;
    private readonly IFileLayer _layer;
    private readonly Lock _counting = new();
    private readonly Dictionary<string, int> _claims = new(StringComparer.Ordinal);

    public FileStore(string folder, IFileLayer? layer = null)
    {
        (_folder, _layer) = (folder, layer ?? DiskLayer.Instance);
        _incoming = Path.Combine(folder, "incoming");
        _layer.MakeFolder(_incoming);
        // What was being written when the process ended belongs to nobody: no answer ever named it.
        foreach (var left in Directory.EnumerateFiles(_incoming))
            File.Delete(left);
    }

    /// <summary>
    /// Copies a stream to a file of its own, hashing on the way; <see cref="Keep"/> or <see cref="Drop"/> it.
    /// </summary>
    /// <exception cref="IOException">The disk is full, or the stream ended badly; nothing is left behind.</exception>
    public async Task<StoredFile> ReceiveAsync(Stream content, long mostBytes, CancellationToken stop)
    {
        var path = Path.Combine(_incoming, Guid.NewGuid().ToString("N"));
        try
        {
            using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
            long bytes = 0;
            await using (var file = _layer.Create(path))
            {
                var buffer = new byte[1 << 16];
                for (int read; (read = await content.ReadAsync(buffer, stop)) > 0; )
                {
                    bytes += read;
                    // One byte past the limit is enough to refuse it later, with its own sentence.
                    if (bytes > mostBytes + buffer.Length)
                        break;
                    hash.AppendData(buffer, 0, read);
                    await file.WriteAsync(buffer.AsMemory(0, read), stop);
                }
                _layer.Flush(file);
            }
            return new(Convert.ToHexStringLower(hash.GetHashAndReset()), bytes, path);
        }
        catch
        {
            File.Delete(path);
            throw;
        }
    }

    /// <summary>A file made from a received one, flushed as that is.</summary>
    public StoredFile Derive(StoredFile received, string ending, ReadOnlySpan<byte> content)
    {
        var path = received.Path + ending;
        using (var file = _layer.Create(path))
        {
            file.Write(content);
            _layer.Flush(file);
        }
        return new(Convert.ToHexStringLower(SHA256.HashData(content)), content.Length, path);
    }

    /// <summary>
    /// Somebody needs the file with this hash from now on, be it there already or on its way, until the claim is
    /// disposed.
    /// </summary>
    /// <param name="isRecorded">Asked at the end: whether a record names it, so that it stays.</param>
    public IDisposable Claim(string sha256, Func<bool> isRecorded)
    {
        lock (_counting)
            _claims[sha256] = _claims.GetValueOrDefault(sha256) + 1;
        return new Claimed(() => LetGo(sha256, isRecorded));
    }

    /// <summary>Moves a received file to its place for good; claim its hash before.</summary>
    public string Keep(StoredFile received)
    {
        var path = PathOf(received.Sha256);
        lock (_counting)
        {
            // A file of another length is a damaged one: what was just received takes its place.
            if (File.Exists(path) && new FileInfo(path).Length == received.Bytes)
                File.Delete(received.Path);
            else
                _layer.Place(received.Path, path);
        }
        return path;
    }

    /// <summary>Removes a file that neither a record names nor anybody needs.</summary>
    /// <returns>Whether it went.</returns>
    public bool Forget(string sha256, Func<bool> isRecorded)
    {
        lock (_counting)
        {
            if (_claims.ContainsKey(sha256) || isRecorded())
                return false;
            File.Delete(PathOf(sha256));
            return true;
        }
    }

    /// <summary>Lets a file go that was received and is not kept.</summary>
    public void Drop(StoredFile received) => File.Delete(received.Path);

    /// <summary>Where the file with this hash is, or would be.</summary>
    /// <exception cref="ArgumentException">Not a SHA-256 in small hex.</exception>
    public string PathOf(string sha256)
    {
        if (!IsHash(sha256))
            throw new ArgumentException("Not a SHA-256.", nameof(sha256));
        return Path.Combine(_folder, sha256[..2], sha256[2..]);
    }

    /// <summary>Hashes of all files that lie in a folder of originals.</summary>
    public static IEnumerable<string> HashesIn(string folder) =>
        !Directory.Exists(folder)
            ? []
            : Directory
                .EnumerateDirectories(folder)
                .Where(d => Path.GetFileName(d).Length == 2)
                .SelectMany(d => Directory.EnumerateFiles(d).Select(f => Path.GetFileName(d) + Path.GetFileName(f)))
                .Where(IsHash);

    /// <summary>
    /// Puts what no record names into quarantine: a crash can leave a file between its writing and its recording, and
    /// so can an older database.
    /// </summary>
    /// <returns>How many.</returns>
    public int SetApart(IReadOnlySet<string> recorded, Quarantine quarantine, DateTimeOffset now)
    {
        var apart = 0;
        foreach (var hash in HashesIn(_folder).Where(h => !recorded.Contains(h)).ToList())
        {
            quarantine.Take(PathOf(hash), hash, now);
            apart++;
        }
        return apart;
    }

    internal static bool IsHash(string text) => text.Length == 64 && text.All(char.IsAsciiHexDigitLower);

    private void LetGo(string sha256, Func<bool> isRecorded)
    {
        lock (_counting)
        {
            if (--_claims[sha256] > 0)
                return;
            _claims.Remove(sha256);
            if (!isRecorded())
                File.Delete(PathOf(sha256));
        }
    }

    private sealed class Claimed(Action letGo) : IDisposable
    {
        private Action? _letGo = letGo;

        public void Dispose() => Interlocked.Exchange(ref _letGo, null)?.Invoke();
    }
}
