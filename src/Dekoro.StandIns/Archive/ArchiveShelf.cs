using System.Globalization;
using System.Security.Cryptography;
using System.Text.Json;

namespace Dekoro.StandIns.Archive;

/// <summary>What was handed to the archive, kept on the disk: it is there after a new start.</summary>
internal sealed class ArchiveShelf(string folder)
{
    private readonly Lock _writing = new();

    /// <summary>All of it that is whole, in the order it came.</summary>
    public IReadOnlyList<Deposited> Shown() =>
        !Directory.Exists(folder)
            ? []
            :
            [
                .. Directory
                    .EnumerateFiles(folder, "*.json")
                    .Select(Read)
                    .Where(d => d is { File: not null, IsOpen: false })
                    .OrderBy(d => d.Number),
            ];

    /// <returns>Null where there is none.</returns>
    public Deposited? Find(int number) => File.Exists(PathOf(number)) ? Read(PathOf(number)) : null;

    /// <summary>A new one, under the next number.</summary>
    public Deposited Begin(IReadOnlyDictionary<string, string> words)
    {
        lock (_writing)
        {
            Directory.CreateDirectory(folder);
            var number = Directory
                .EnumerateFiles(folder, "*.json")
                .Select(f => int.Parse(Path.GetFileNameWithoutExtension(f), CultureInfo.InvariantCulture))
                .DefaultIfEmpty(ArchiveItem.Count)
                .Max();
            return Write(new(number + 1, words, null, IsOpen: true, Version: 1));
        }
    }

    /// <returns>Null where it is not as it was known, or is not there.</returns>
    public Deposited? Change(int number, string etag, Func<Deposited, Deposited> change)
    {
        lock (_writing)
        {
            return Find(number) is { } now && now.ETag == etag
                ? Write(change(now) with { Version = now.Version + 1 })
                : null;
        }
    }

    /// <summary>Takes a file in beside its place; null where it is longer than allowed.</summary>
    public async Task<(string Path, string Sha256)?> ReceiveAsync(Stream body, long mostBytes, CancellationToken stop)
    {
        Directory.CreateDirectory(folder);
        var path = Path.Combine(folder, RandomNumberGenerator.GetHexString(16, lowercase: true) + ".coming");
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[1 << 16];
        long sum = 0;
        var isWhole = false;
        try
        {
            await using var file = File.Create(path);
            for (int n; (n = await body.ReadAsync(buffer, stop)) > 0 && (sum += n) <= mostBytes; )
            {
                hash.AppendData(buffer, 0, n);
                await file.WriteAsync(buffer.AsMemory(0, n), stop);
            }
            isWhole = sum <= mostBytes;
            return isWhole ? (path, Convert.ToHexStringLower(hash.GetHashAndReset())) : null;
        }
        finally
        {
            if (!isWhole)
                File.Delete(path);
        }
    }

    /// <summary>Puts a received file where it stays.</summary>
    public void Keep(string path, string sha256) => File.Move(path, FileOf(sha256), overwrite: true);

    /// <summary>Where a file lies.</summary>
    public string FileOf(string sha256) => Path.Combine(folder, sha256 + ".file");

    private string PathOf(int number) =>
        Path.Combine(folder, number.ToString("00000", CultureInfo.InvariantCulture) + ".json");

    private Deposited Write(Deposited deposited)
    {
        var path = PathOf(deposited.Number);
        File.WriteAllBytes(path + ".new", JsonSerializer.SerializeToUtf8Bytes(deposited));
        File.Move(path + ".new", path, overwrite: true);
        return deposited;
    }

    private static Deposited Read(string path) =>
        JsonSerializer.Deserialize<Deposited>(File.ReadAllBytes(path)) ?? throw new InvalidDataException(path);
}
