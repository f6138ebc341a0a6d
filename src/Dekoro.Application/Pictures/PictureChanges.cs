using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Geometry;
using Dekoro.Core.Publication;
using Dekoro.Storage;
using Result = Dekoro.Application.Changes.ChangeResult<Dekoro.Storage.Asset>;

namespace Dekoro.Application.Pictures;

/// <summary>Words, keep areas and addresses of pictures; pictures that are taken away and put back.</summary>
public sealed class PictureChanges(
    Workspace workspace,
    PlanningContext planning,
    Events events,
    BackgroundWork background,
    TimeProvider clock
)
{
    /// <summary>So many are changed in one step.</summary>
    public const int MaxAtOnce = 5000;

    /// <param name="version">From which the change started.</param>
    public Result Change(string id, long version, FileChange change)
    {
        if (workspace.Assets.Find(id) is not { } asset)
            return new Result.NotThere(Thing.Picture);
        var words = change.On(asset.Facts.Metadata);
        if (words.Refusal() is { } error)
            return new Result.Refused(words.Title.Trim().Length == 0 ? "title" : null, error);
        var drawn = change.Keep is { } box ? FocalRegion.Of(box.X, box.Y, box.Width, box.Height) : null;
        if (change.Keep is not null && drawn is null)
            return new Result.Refused("keep", "A keep area lies inside the picture and is not empty: draw it again.");
        var address = change.HasOwnAddress switch
        {
            true => new AddressChange(taken => OwnAddress.For(asset.Facts with { Metadata = words }, taken)),
            false => new AddressChange(null),
            null => null,
        };
        var (keep, isByHand) = drawn is null ? (asset.Facts.Keep, asset.KeepByHand) : (drawn, true);
        if (!workspace.Assets.Change(id, version, words, keep, isByHand, address))
            return workspace.Assets.Find(id) is { } meanwhile
                ? new Result.Stale(
                    "Someone changed this picture's words meanwhile: theirs are shown now, yours are still in "
                        + "the field.",
                    meanwhile
                )
                : new Result.NotThere(Thing.Picture);
        Tell(id);
        return new Result.Done(workspace.Assets.Find(id)!);
    }

    /// <summary>Words of several in one step, each from the version that was seen; null: as it is.</summary>
    /// <returns>How many: those that someone else had changed meanwhile are left as they are.</returns>
    public ChangeResult<int> ChangeMany(IReadOnlyList<(string Id, long? Version, FileChange Change)> all)
    {
        if (Refusal(all) is { } refused)
            return refused;
        var assets = workspace.Assets.FindMany([.. all.Select(c => c.Id)]).ToDictionary(a => a.Id);
        var changes = all.Where(c => assets.ContainsKey(c.Id))
            .Select(c => (Asset: assets[c.Id], c.Version, c.Change))
            .Select(c => (c.Asset, c.Version, Words: c.Change.On(c.Asset.Facts.Metadata)))
            .Where(c => c.Words != c.Asset.Facts.Metadata)
            .ToList();
        if (changes.Select(c => c.Words.Refusal()).FirstOrDefault(e => e is not null) is { } error)
            return new ChangeResult<int>.Refused(null, error);
        var changed = workspace.Assets.ChangeWords([
            .. changes.Select(c => (c.Asset.Id, c.Version ?? c.Asset.Version, c.Words)),
        ]);
        Tell(changes.FirstOrDefault().Asset?.Id);
        return new ChangeResult<int>.Done(changed);
    }

    private static ChangeResult<int>.Refused? Refusal(
        IReadOnlyList<(string Id, long? Version, FileChange Change)> all
    ) =>
        all.Count > MaxAtOnce ? new("changes", $"At most {MaxAtOnce} pictures are changed at once.")
        : all.DistinctBy(c => c.Id).Count() < all.Count
            ? new("changes", "A picture is named twice: give all its changes together.")
        : all.Any(c => c.Change.Keep is not null) ? new("keep", "A keep area is drawn on one picture at a time.")
        : all.Any(c => c.Change.HasOwnAddress is not null)
            ? new("hasOwnAddress", "An address is given to one picture at a time.")
        : null;

    /// <summary>Those that stand nowhere wait to be put back; the others stay, with the pages that show them.</summary>
    public (IReadOnlyList<string> Away, IReadOnlyList<(Asset Asset, IReadOnlyList<string> Pages)> Standing) TakeAway(
        IReadOnlyList<string> ids
    )
    {
        var places = planning.Used.Places;
        var (away, standing) = (new List<string>(), new List<(Asset, IReadOnlyList<string>)>());
        foreach (var asset in workspace.Assets.FindMany(ids))
        {
            if (places[asset.Id].Any())
                standing.Add((asset, [.. places[asset.Id].Select(p => p.Page.Title).Distinct()]));
            else if (workspace.Assets.TakeAway(asset.Id, clock.GetUtcNow()))
                away.Add(asset.Id);
        }
        events.Send("library", new { id = away.FirstOrDefault() });
        return (away, standing);
    }

    /// <summary>Those that were taken away are back.</summary>
    public void PutBack(IReadOnlyList<string> ids)
    {
        foreach (var id in ids.Take(MaxAtOnce))
            workspace.Assets.PutBack(id);
        events.Send("library", new { id = ids.FirstOrDefault() });
    }

    private void Tell(string? id)
    {
        events.Send("library", new { id });
        background.Prepare();
    }
}
