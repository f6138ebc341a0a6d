using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;
using Dekoro.Storage;

namespace Dekoro.Application.Drafts;

/// <summary>
/// Another picture in places of one: in the drafts of pages, and in the arrangements that stand on them, all at once or
/// not at all.
/// </summary>
public sealed class Swaps(
    Workspace workspace,
    PlanningContext planning,
    SiteBanners banners,
    Events events,
    BackgroundWork background,
    Person person,
    TimeProvider clock
)
{
    /// <summary>Another picture in all places of one, or in those that are named.</summary>
    /// <param name="named">Each with the words it has of its own from then on; null takes the library's.</param>
    public ChangeResult<SwappedPictures> Replace(
        string id,
        string with,
        IReadOnlyDictionary<(string PageId, string BlockId), string?>? named
    )
    {
        if (workspace.Assets.Find(with) is null)
            return new ChangeResult<SwappedPictures>.NotThere(Thing.Picture);
        if (with == id)
            return new ChangeResult<SwappedPictures>.Refused(
                "with",
                "That is the picture that stands there already: choose another."
            );
        var places = planning
            .Used.Places[id]
            .Where(p => named is null || named.ContainsKey((p.Page.Id, p.Figure.Id)))
            .ToList();
        if (places.Count == 0)
            return new ChangeResult<SwappedPictures>.Conflict(
                "This picture stands nowhere any more, so nothing was swapped."
            );
        var swap = Prepare(id, with, [.. places.Select(p => (p.Page, p.Figure.Id, named?[(p.Page.Id, p.Figure.Id)]))]);
        if (!workspace.Database.Write(c => swap.Save(c, person.Now, clock.GetUtcNow())))
            return new ChangeResult<SwappedPictures>.Conflict(
                "A page was changed at the same moment, so nothing was swapped: try it again."
            );
        Tell(swap, id);
        return new ChangeResult<SwappedPictures>.Done(
            new(
                places.DistinctBy(p => p.Page.Id).Count(),
                [.. places.Select(p => (p.Page.Id, p.Figure.Id, p.Figure.Alt.Own))]
            )
        );
    }

    /// <summary>Two pictures become one: every place of the first shows the second, and the first is away.</summary>
    /// <param name="from">With the version of it that was seen.</param>
    /// <param name="into">The one that stays, with the words of both.</param>
    public ChangeResult<MergedPictures> Merge((string Id, long Version) from, (string Id, long Version) into)
    {
        if (
            workspace.Assets.Find(from.Id) is not { } goes
            || workspace.Assets.Find(into.Id) is not { AwaySince: null } stays
        )
            return new ChangeResult<MergedPictures>.NotThere(Thing.Picture);
        if (from.Id == into.Id)
            return new ChangeResult<MergedPictures>.Refused("into", "These are one picture already.");
        var places = planning.Used.Places[from.Id].ToList();
        // Words said for a place alone stay with the place: the picture shows the same.
        var swap = Prepare(from.Id, into.Id, [.. places.Select(p => (p.Page, p.Figure.Id, p.Figure.Alt.Own))]);
        var (words, now) = (Merging.Words(stays.Facts.Metadata, goes.Facts.Metadata), clock.GetUtcNow());
        var isDone = workspace.Assets.Merge(from, into, words, c => swap.Save(c, person.Now, now), now);
        if (!isDone)
            return new ChangeResult<MergedPictures>.Stale(
                "One of the two, or a page they stand on, was changed meanwhile, so nothing was done: look at "
                    + "them again, then try it again.",
                new(0, workspace.Assets.FindMany([from.Id, into.Id]))
            );
        Tell(swap, from.Id);
        return new ChangeResult<MergedPictures>.Done(new(places.Count, []));
    }

    /// <summary>The drafts and arrangements as they would be, each from the version at which it was read.</summary>
    private sealed record Prepared(
        IReadOnlyCollection<(string Id, long Version, string Draft)> Drafts,
        IReadOnlyCollection<(string Table, string Id, long Version, string Content)> Contents
    )
    {
        /// <returns>False where one of them is no longer at its version; then none is changed.</returns>
        public bool Save(Microsoft.Data.Sqlite.SqliteConnection c, string by, DateTimeOffset now) =>
            Pages.SaveDrafts(c, Drafts, by, now, Contents);
    }

    private void Tell(Prepared swap, string id)
    {
        foreach (var (page, version, _) in swap.Drafts)
            events.Send("page", new { id = page, version = version + 1 });
        foreach (var (kind, thing, version, _) in swap.Contents)
            events.Send(kind, new { id = thing, version = version + 1 });
        events.Send("library", new { id });
        background.Prepare();
    }

    /// <summary>Works a swap out without keeping it.</summary>
    private Prepared Prepare(
        string from,
        string to,
        IReadOnlyCollection<(PageRow Page, string BlockId, string? Alt)> places
    )
    {
        var inSets = new Dictionary<string, Dictionary<(string ItemId, bool IsStep), string?>>();
        var drafts = new List<(string Id, long Version, string Draft)>();
        var contents = new List<(string Table, string Id, long Version, string Content)>();
        foreach (var onPage in places.GroupBy(p => p.Page.Id))
        {
            var (page, document) = (onPage.First().Page, planning.DocumentOf(onPage.First().Page));
            var alts = onPage.ToDictionary(p => p.BlockId, p => p.Alt);
            foreach (var place in ResolvedBlocks.PlacesOf(document))
            {
                if (!alts.Remove(place.FigureId, out var alt))
                    continue;
                if (!inSets.TryGetValue(place.SetId, out var items))
                    inSets[place.SetId] = items = [];
                items[(place.ItemId, place.IsStep)] = alt;
            }
            if (alts.Count == 0)
                continue;
            var swapped = Swapping.Swap(document, from, to, alts);
            if (page.Kind == SiteBanners.Kind)
                contents.Add(
                    (
                        workspace.Banners.Name,
                        SiteBanners.IdOf(page),
                        page.Version,
                        banners.WithBand(page, (BandBlock)swapped.Blocks[0]).Write()
                    )
                );
            else
                drafts.Add((page.Id, page.Version, DocumentWriter.Write(swapped).ToJsonString()));
        }
        var sets = inSets
            .Select(s =>
                (
                    Row: workspace.Arrangements.Find(s.Key)!,
                    Set: planning.ArrangementOf(s.Key)!.WithPictures(to, s.Value)
                )
            )
            .ToList();
        var name = workspace.Arrangements.Name;
        contents.AddRange(sets.Select(s => (name, s.Row.Id, s.Row.Version, ArrangementValues.Of(s.Set).Write())));
        return new(drafts, contents);
    }
}
