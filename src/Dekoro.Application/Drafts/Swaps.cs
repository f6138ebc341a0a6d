using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Storage;

namespace Dekoro.Application.Drafts;

/// <summary>
/// Another picture in places of one: in the drafts of pages, and in the arrangements that stand on them, all at once or
/// not at all.
/// </summary>
public sealed class Swaps(
    Workspace workspace,
    PlanningContext planning,
    Events events,
    Person person,
    TimeProvider clock
)
{
    /// <param name="places">Each with the words it has of its own from then on; null takes the library's.</param>
    /// <returns>The pages that show it; null where something was changed at the same moment, and nothing was
    /// done.</returns>
    public int? Carry(string from, string to, IReadOnlyCollection<(PageRow Page, string BlockId, string? Alt)> places)
    {
        var swap = Prepare(from, to, places);
        if (!workspace.Database.Write(c => swap.Save(c, person.Now, clock.GetUtcNow())))
            return null;
        Tell(swap);
        return places.DistinctBy(p => p.Page.Id).Count();
    }

    /// <summary>The drafts and arrangements as they would be, each from the version at which it was read.</summary>
    public sealed record Prepared(
        IReadOnlyCollection<(string Id, long Version, string Draft)> Drafts,
        IReadOnlyCollection<(string Id, long Version, string Content)> Arrangements
    )
    {
        /// <returns>False where one of them is no longer at its version; then none is changed.</returns>
        public bool Save(Microsoft.Data.Sqlite.SqliteConnection c, string by, DateTimeOffset now) =>
            Pages.SaveDrafts(c, Drafts, by, now, Arrangements);
    }

    /// <summary>Tells every open tool what has changed.</summary>
    public void Tell(Prepared swap)
    {
        foreach (var (id, version, _) in swap.Drafts)
            events.Send("page", new { id, version = version + 1 });
        foreach (var (id, version, _) in swap.Arrangements)
            events.Send("arrangement", new { id, version = version + 1 });
    }

    /// <summary>Works a swap out without keeping it.</summary>
    public Prepared Prepare(
        string from,
        string to,
        IReadOnlyCollection<(PageRow Page, string BlockId, string? Alt)> places
    )
    {
        var inSets = new Dictionary<string, Dictionary<(string ItemId, bool IsStep), string?>>();
        var drafts = new List<(string Id, long Version, string Draft)>();
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
            if (alts.Count > 0)
                drafts.Add(
                    (
                        page.Id,
                        page.Version,
                        DocumentWriter.Write(Swapping.Swap(document, from, to, alts)).ToJsonString()
                    )
                );
        }
        var sets = inSets
            .Select(s =>
                (
                    Row: workspace.Arrangements.Find(s.Key)!,
                    Set: planning.ArrangementOf(s.Key)!.WithPictures(to, s.Value)
                )
            )
            .ToList();
        return new(drafts, [.. sets.Select(s => (s.Row.Id, s.Row.Version, ArrangementValues.Of(s.Set).Write()))]);
    }
}
