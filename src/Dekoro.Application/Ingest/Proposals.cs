using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Security.Cryptography;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Core.Content;
using Dekoro.Core.Media;
using Dekoro.Intake;
using Dekoro.Storage;

namespace Dekoro.Application.Ingest;

/// <summary>Holds what was read from elsewhere until it is kept or let go; a restart lets all of it go.</summary>
public sealed class Proposals(Workspace workspace, AssetIngest ingest, Fetching fetching, Versions versions)
    : IDisposable
{
    private const int MaxPending = 20;

    private readonly ConcurrentDictionary<string, Pending> _pending = new();
    private readonly ConcurrentQueue<string> _order = new();

    /// <summary>
    /// Brings the pictures of a proposal here, from its bytes or from their addresses, and measures them. What a mail
    /// only names stays with its sender's server, which would learn that the mail was read: <see
    /// cref="FetchWaitingAsync"/> brings it when a person asks.
    /// </summary>
    public async Task<Pending> BringAsync(Proposal proposal, CancellationToken stop)
    {
        var waiting =
            proposal.Kind == ProposalKind.Mail
                ? proposal.Pictures.Where(p => p.Content is PictureContent.Remote).ToImmutableArray()
                : [];
        var empty = new Pending(
            RandomNumberGenerator.GetHexString(12, lowercase: true),
            new(proposal.Kind, proposal.Title, proposal.From, proposal.Date),
            Document.Empty,
            [],
            proposal.LeftOut,
            waiting
        )
        {
            Read = (proposal.Words, ImmutableDictionary<string, string>.Empty),
        };
        var pending = await WithAsync(empty, [.. proposal.Pictures.Except(waiting)], stop);
        _pending[pending.Id] = pending;
        _order.Enqueue(pending.Id);
        while (_order.Count > MaxPending && _order.TryDequeue(out var oldest))
            LetGo(oldest);
        return pending;
    }

    /// <summary>Fetches what a mail only names, because a person asked for it.</summary>
    public async Task<Pending> FetchWaitingAsync(Pending pending, CancellationToken stop)
    {
        var fetched = await WithAsync(pending with { Waiting = [] }, pending.Waiting, stop);
        if (!_pending.TryUpdate(pending.Id, fetched, pending))
            foreach (var claim in fetched.Claims.Except(pending.Claims))
                claim.Dispose();
        return _pending.GetValueOrDefault(pending.Id, fetched);
    }

    private async Task<Pending> WithAsync(
        Pending pending,
        ImmutableArray<FoundPicture> pictures,
        CancellationToken stop
    )
    {
        var brought = await BroughtAsync(pictures, stop);
        // The same bytes twice in one mail are one picture.
        var all = pending
            .Pictures.Concat(brought.Select(b => b.Picture).OfType<PendingPicture>())
            .DistinctBy(p => p.Asset.KeptSha256)
            .ToImmutableArray();
        var bySha = all.ToDictionary(p => p.Asset.KeptSha256, p => p.Asset.Id);
        var byKey = pending.Read.AssetByKey.AddRange(
            brought
                .Where(b => b.Picture is not null)
                .Select(b => KeyValuePair.Create(b.Found.Key, bySha[b.Picture!.Asset.KeptSha256]))
        );
        return pending with
        {
            Words = Inserting.WithPictures(pending.Read.Words, byKey.GetValueOrDefault),
            Pictures = all,
            LeftOut =
            [
                .. pending.LeftOut,
                .. brought
                    .Where(b => b.Picture is null)
                    .Select(b => new LeftOut(b.Found.FileName, b.Error ?? "It could not be read.")),
            ],
            Read = (pending.Read.Words, byKey),
            Claims = [.. pending.Claims, .. brought.Select(b => b.Claim).OfType<IDisposable>()],
        };
    }

    /// <summary>A picture of a proposal as it was read, and what keeps its original from being collected.</summary>
    private readonly record struct Brought(
        FoundPicture Found,
        PendingPicture? Picture,
        string? Error,
        IDisposable? Claim
    );

    private async Task<Brought[]> BroughtAsync(ImmutableArray<FoundPicture> pictures, CancellationToken stop)
    {
        var brought = new Brought[pictures.Length];
        try
        {
            await Parallel.ForAsync(
                0,
                brought.Length,
                new ParallelOptions { MaxDegreeOfParallelism = 4, CancellationToken = stop },
                async (i, token) =>
                {
                    var read = await OneAsync(pictures[i], token);
                    var there = read.Asset ?? (read.Taken.Id is { } id ? workspace.Assets.Find(id) : null);
                    var note = read.Asset is null ? read.Taken.Note : ingest.NoteOf(read.Asset, read.Taken.Note);
                    brought[i] = new(
                        pictures[i],
                        there is null
                            ? null
                            : new(there, WasThere: read.Asset is null, note, pictures[i].Keep, pictures[i].Edits),
                        read.Taken.Error,
                        read.Claim
                    );
                }
            );
        }
        catch
        {
            foreach (var one in brought)
                one.Claim?.Dispose();
            throw;
        }
        return brought;
    }

    /// <summary>All that wait for a yes, the one read last first.</summary>
    public IReadOnlyList<Pending> All() =>
        [.. _order.Reverse().Select(id => _pending.GetValueOrDefault(id)).OfType<Pending>()];

    /// <summary>A proposal that waits; null for one that is done or let go.</summary>
    public Pending? Find(string id) => _pending.GetValueOrDefault(id);

    /// <summary>A picture of any proposal, by the id it would have in the library.</summary>
    public Asset? FindPicture(string assetId) =>
        _pending.Values.SelectMany(p => p.Pictures).FirstOrDefault(p => p.Asset.Id == assetId)?.Asset;

    /// <summary>Takes the chosen pictures into the library under the words given for them.</summary>
    /// <param name="chosen">Words by asset id; what is not named stays out.</param>
    /// <returns>The outcome of each, and the words with the pictures that are in the library now.</returns>
    public (IReadOnlyList<Taken> Taken, Document Words) Keep(
        Pending pending,
        IReadOnlyDictionary<string, PictureMetadata> chosen
    )
    {
        var (taken, kept) = (new List<Taken>(), new Dictionary<string, string>());
        foreach (var picture in pending.Pictures.Where(p => chosen.ContainsKey(p.Asset.Id)))
        {
            var asset = picture.Asset;
            var outcome = picture.WasThere
                ? new Taken(asset.Facts.FileName, asset.Id, WasThere: true)
                : ingest.Record(
                    asset with
                    {
                        Facts = asset.Facts with { Metadata = chosen[asset.Id] },
                    },
                    new(asset.Facts.FileName, asset.Id, Note: picture.Note)
                );
            taken.Add(outcome);
            if (outcome.Id is { } id)
                kept[asset.Id] = id;
            if (outcome is { Id: not null, WasThere: false })
                versions.Restore(outcome.Id, picture.Edits, picture.Keep);
        }
        var words = Inserting.WithPictures(pending.Words, kept.GetValueOrDefault);
        LetGo(pending.Id);
        return (taken, words);
    }

    /// <summary>Takes all pictures of a proposal into the library at once, under the words they come with.</summary>
    /// <returns>The outcome of each, in the proposal's order.</returns>
    public async Task<IReadOnlyList<Taken>> TakeAllAsync(Proposal proposal, CancellationToken stop)
    {
        var pending = await BringAsync(proposal, stop);
        var words = pending.Pictures.ToDictionary(p => p.Asset.Id, p => p.Asset.Facts.Metadata);
        var byId = pending.Pictures.Zip(Keep(pending, words).Taken).ToDictionary(p => p.First.Asset.Id, p => p.Second);
        // What was left out of it stands in the same order.
        var missed = new Queue<LeftOut>(pending.LeftOut.Skip(proposal.LeftOut.Length));
        return
        [
            .. proposal.Pictures.Select(p =>
                pending.Read.AssetByKey.GetValueOrDefault(p.Key) is { } id
                    ? byId[id]
                    : new Taken(p.FileName, null, Error: missed.Dequeue().Sentence)
            ),
        ];
    }

    /// <summary>Forgets a proposal and the files that nothing else needs.</summary>
    public void LetGo(string id)
    {
        if (!_pending.TryRemove(id, out var pending))
            return;
        foreach (var claim in pending.Claims)
            claim.Dispose();
    }

    /// <summary>The program stops: nothing of what nobody has said yes to stays behind.</summary>
    public void Dispose()
    {
        foreach (var id in _pending.Keys)
            LetGo(id);
    }

    private async Task<ReadIn> OneAsync(FoundPicture found, CancellationToken stop)
    {
        try
        {
            await using var content = found.Content switch
            {
                PictureContent.AtHand here => here.Open(),
                PictureContent.Remote there => (await fetching.GetAsync(there.Address, stop)).Content,
                _ => Stream.Null,
            };
            return await ingest.ReadAsync(found.FileName, content, found.Words, stop);
        }
        catch (NotFetchedException e)
        {
            return new(null, new(found.FileName, null, Error: e.Message));
        }
    }
}
