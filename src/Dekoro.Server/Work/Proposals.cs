using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Security.Cryptography;
using Dekoro.Core.Documents;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Intake;
using Dekoro.Storage;

namespace Dekoro.Server.Work;

/// <summary>A picture of a proposal, decoded and measured but not yet in the library.</summary>
/// <param name="Asset">As it would be kept, or as it is kept where it was there before.</param>
/// <param name="WasThere">The same file is in the library already.</param>
/// <param name="Note">Something the person should know although the file can be taken.</param>
/// <param name="Keep">A keep area that came with it; null for none.</param>
/// <param name="Edits">Edits that came with it; null for none.</param>
public sealed record PendingPicture(Asset Asset, bool WasThere, string? Note, KeepBox? Keep = null, Edits? Edits = null);

/// <summary>What was read from elsewhere and waits for a person's yes.</summary>
/// <param name="Words">Figures name assets, of the library or of <paramref name="Pictures"/>.</param>
public sealed record Pending(
    string Id, ProposalKind Kind, string Title, string From, DateTimeOffset? Date, Document Words,
    ImmutableArray<PendingPicture> Pictures, ImmutableArray<LeftOut> LeftOut);

/// <summary>Holds what was read from elsewhere until it is kept or let go; a restart lets all of it go.</summary>
public sealed class Proposals(Workspace workspace, TakingIn takingIn, Fetching fetching, Versions versions)
{
    private const int MostPending = 20;

    private readonly ConcurrentDictionary<string, Pending> _pending = new();
    private readonly ConcurrentQueue<string> _order = new();

    /// <summary>Brings the pictures of a proposal here, from its bytes or from their addresses, and measures them.</summary>
    public async Task<Pending> BringAsync(Proposal proposal, CancellationToken stop)
    {
        var brought = new (FoundPicture Found, PendingPicture? Picture, string? Error)[proposal.Pictures.Length];
        await Parallel.ForAsync(0, brought.Length, new ParallelOptions { MaxDegreeOfParallelism = 4, CancellationToken = stop }, async (i, token) =>
        {
            var found = proposal.Pictures[i];
            var (asset, taken) = await OneAsync(found, token);
            var there = asset ?? (taken.Id is { } id ? workspace.Assets.Find(id) : null);
            var note = asset is null ? taken.Note : takingIn.NoteOf(asset, taken.Note);
            brought[i] = (found, there is null ? null : new(there, WasThere: asset is null, note, found.Keep, found.Edits), taken.Error);
        });
        var byKey = brought.Where(b => b.Picture is not null).ToDictionary(b => b.Found.Key, b => b.Picture!);
        // The same bytes twice in one mail are one picture.
        var bySha = byKey.Values.GroupBy(p => p.Asset.KeptSha256).ToDictionary(g => g.Key, g => g.First());
        var pending = new Pending(
            RandomNumberGenerator.GetHexString(12, lowercase: true), proposal.Kind, proposal.Title, proposal.From, proposal.Date,
            Inserting.WithPictures(proposal.Words, key => byKey.TryGetValue(key, out var p) ? bySha[p.Asset.KeptSha256].Asset.Id : null),
            [.. brought.Select(b => b.Picture).OfType<PendingPicture>().DistinctBy(p => p.Asset.KeptSha256)],
            [.. proposal.LeftOut, .. brought.Where(b => b.Picture is null).Select(b => new LeftOut(b.Found.FileName, b.Error ?? "It could not be read."))]);
        _pending[pending.Id] = pending;
        _order.Enqueue(pending.Id);
        while (_order.Count > MostPending && _order.TryDequeue(out var oldest)) LetGo(oldest);
        return pending;
    }

    public Pending? Find(string id) => _pending.GetValueOrDefault(id);

    /// <summary>A picture of any proposal, by the id it would have in the library.</summary>
    public Asset? FindPicture(string assetId) =>
        _pending.Values.SelectMany(p => p.Pictures).FirstOrDefault(p => p.Asset.Id == assetId)?.Asset;

    /// <summary>Takes the chosen pictures into the library under the words given for them.</summary>
    /// <param name="chosen">Words by asset id; what is not named stays out.</param>
    /// <returns>The outcome of each, and the words with the pictures that are in the library now.</returns>
    public (IReadOnlyList<Taken> Taken, Document Words) Keep(Pending pending, IReadOnlyDictionary<string, Words> chosen)
    {
        var (taken, kept) = (new List<Taken>(), new Dictionary<string, string>());
        foreach (var picture in pending.Pictures.Where(p => chosen.ContainsKey(p.Asset.Id)))
        {
            var asset = picture.Asset;
            var outcome = picture.WasThere
                ? new Taken(asset.Facts.FileName, asset.Id, WasThere: true)
                : takingIn.Record(asset with { Facts = asset.Facts with { Words = chosen[asset.Id] } }, new(asset.Facts.FileName, asset.Id, Note: picture.Note));
            taken.Add(outcome);
            if (outcome.Id is { } id) kept[asset.Id] = id;
            if (outcome is { Id: not null, WasThere: false }) versions.Restore(outcome.Id, picture.Edits, picture.Keep);
        }
        var words = Inserting.WithPictures(pending.Words, kept.GetValueOrDefault);
        LetGo(pending.Id);
        return (taken, words);
    }

    /// <summary>Forgets a proposal and the files that nothing else needs.</summary>
    public void LetGo(string id)
    {
        if (!_pending.TryRemove(id, out var pending)) return;
        var others = _pending.Values.SelectMany(p => p.Pictures).Select(p => p.Asset.KeptSha256).ToHashSet();
        foreach (var hash in pending.Pictures.Select(p => p.Asset.KeptSha256).Where(h => !others.Contains(h) && workspace.Assets.FindByHash(h) is null))
            workspace.Files.Forget(hash);
    }

    private async Task<(Asset? Asset, Taken Taken)> OneAsync(FoundPicture found, CancellationToken stop)
    {
        try
        {
            await using var content = found.Content switch
            {
                PictureContent.AtHand here => here.Open(),
                PictureContent.Remote there => (await fetching.GetAsync(there.Address, stop)).Content,
                _ => Stream.Null,
            };
            return await takingIn.ReadAsync(found.FileName, content, found.Words, stop);
        }
        catch (NotFetchedException e)
        {
            return (null, new(found.FileName, null, Error: e.Message));
        }
    }
}
