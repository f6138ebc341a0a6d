using System.Collections.Concurrent;
using Dekoro.Intake;

namespace Dekoro.Application.Ingest;

/// <summary>
/// Catalogues of outside archives, read once and held for a while, so that a search does not read them again.
/// </summary>
public sealed class Archives(Fetching fetching, TimeProvider clock)
{
    private const int MaxHeld = 5;

    /// <summary>Of one description, and of all that one archive gives.</summary>
    private const long MaxDescriptionBytes = 8L << 20,
        MaxBytes = 120L << 20;
    private static readonly TimeSpan HeldFor = TimeSpan.FromMinutes(20),
        MaxTime = TimeSpan.FromMinutes(2);

    private readonly ConcurrentDictionary<Uri, (Task<ArchiveCatalogue> Reading, DateTimeOffset Since)> _held = new();

    /// <exception cref="UnreadableException">Not a collection, not there, too slow.</exception>
    public async Task<ArchiveCatalogue> ReadAsync(Uri address)
    {
        foreach (var old in _held.Where(h => clock.GetUtcNow() - h.Value.Since > HeldFor).Select(h => h.Key))
            _held.TryRemove(old, out _);
        while (_held.Count >= MaxHeld && !_held.ContainsKey(address))
            _held.TryRemove(_held.MinBy(h => h.Value.Since).Key, out _);
        var held = _held.GetOrAdd(address, a => (ReadNowAsync(a), clock.GetUtcNow()));
        try
        {
            return await held.Reading;
        }
        catch
        {
            _held.TryRemove(address, out _);
            throw;
        }
    }

    /// <summary>An archive of this host has something new: its catalogues are read again.</summary>
    public void Forget(Uri of)
    {
        // Loopback addresses are one machine by several names.
        foreach (var held in _held.Keys.Where(h => h.Host == of.Host || h.IsLoopback && of.IsLoopback))
            _held.TryRemove(held, out _);
    }

    /// <summary>One picture of a catalogue in small, as it was given.</summary>
    public async Task<byte[]> ThumbnailAsync(ArchiveEntry entry, CancellationToken stop) =>
        await BytesAsync(entry.Thumbnail, stop);

    private async Task<ArchiveCatalogue> ReadNowAsync(Uri address)
    {
        using var timed = new CancellationTokenSource(MaxTime);
        try
        {
            // Away from the caller: the first reader may leave, the others still wait for it.
            return await Task.Run(
                () => ArchiveReader.ReadAsync(address, Within(address, BytesAsync, MaxBytes), timed.Token),
                timed.Token
            );
        }
        catch (OperationCanceledException e) when (timed.IsCancellationRequested)
        {
            throw new UnreadableException(
                $"{address.Host} did not give its whole catalogue within {MaxTime.TotalMinutes:0} minutes: "
                    + "give the address of a smaller collection.",
                e
            );
        }
    }

    /// <summary>All descriptions of one archive together are held to a budget: an endless one ends.</summary>
    internal static FetchBytes Within(Uri archive, FetchBytes fetch, long mostBytes)
    {
        var left = mostBytes;
        return async (address, stop) =>
        {
            if (Interlocked.Read(ref left) <= 0)
                throw new UnreadableException(
                    $"{archive.Host} gives more than the {mostBytes >> 20} MB of descriptions that are read at "
                        + "once: give the address of a smaller collection."
                );
            var bytes = await fetch(address, stop);
            Interlocked.Add(ref left, -bytes.Length);
            return bytes;
        };
    }

    private async Task<byte[]> BytesAsync(Uri address, CancellationToken stop)
    {
        try
        {
            return await fetching.BytesAsync(address, MaxDescriptionBytes, stop);
        }
        catch (NotFetchedException e)
        {
            throw new UnreadableException(e.Message, e);
        }
    }
}
