using Dekoro.Core.Arrangements;
using Dekoro.Core.Content;

namespace Dekoro.Core.Layout;

/// <summary>Arrangements on a page, as they are now instead of by their ids.</summary>
public static class ResolvedBlocks
{
    /// <summary>The same page with each arrangement that is not yet looked up as it is now.</summary>
    /// <param name="find">By its id; null for one that is no more, which stays as it stands in the draft.</param>
    public static Document Resolved(this Document page, Func<string, Arrangement?> find)
    {
        return new(Walk.Changed(page.Blocks, Of));

        Block Of(Block block) =>
            block switch
            {
                ResolvedArrangement or ResolvedBand => block,
                ArrangementBlock one => find(one.ArrangementId) is { } set
                    ? new ResolvedArrangement(one.Id, set, one.Reach)
                    : one,
                BandBlock { Backdrop.SetId: { } id } band => find(id) is { } set ? new ResolvedBand(band, set) : band,
                _ => block,
            };
    }

    /// <summary>The same with each arrangement that was looked up changed.</summary>
    public static Document WithArrangements(this Document page, Func<Arrangement, Arrangement> change)
    {
        return new(Walk.Changed(page.Blocks, Of));

        Block Of(Block block) =>
            block switch
            {
                ResolvedArrangement one => one with { Arrangement = change(one.Arrangement) },
                ResolvedBand band => band with { Set = change(band.Set) },
                _ => block,
            };
    }

    /// <summary>The same with each gallery at one of its parts.</summary>
    public static Document WithSheets(this Document page, Func<ResolvedArrangement, int> sheetOf) =>
        new(Walk.Changed(page.Blocks, b => b is ResolvedArrangement set ? set with { Sheet = sheetOf(set) } : b));

    /// <summary>Those that stand on the page.</summary>
    public static IEnumerable<ResolvedArrangement> ShownOn(Document page) => page.All.OfType<ResolvedArrangement>();

    /// <summary>All that show on the page, those behind its bands too, each once.</summary>
    public static IEnumerable<Arrangement> SetsOf(Document page) =>
        ShownOn(page).Select(a => a.Arrangement).Concat(Bands(page).Select(b => b.Set)).DistinctBy(a => a.Id);

    /// <summary>
    /// Places whose picture an arrangement gives: each by the id of its figure, with the item that has it, and whether
    /// as its step.
    /// </summary>
    public static IEnumerable<(string FigureId, string SetId, string ItemId, bool IsStep)> PlacesOf(Document page)
    {
        foreach (var one in ShownOn(page))
        foreach (var item in one.Arrangement.Items)
        {
            yield return (one.FigureIdOf(item), one.ArrangementId, item.Id, false);
            yield return (ArrangementBlock.StepIdOf(one.FigureIdOf(item)), one.ArrangementId, item.Id, true);
        }
        foreach (var band in Bands(page))
        foreach (var item in band.Set.Items)
            yield return (band.FollowerIdOf(item), band.Set.Id, item.Id, false);
    }

    private static IEnumerable<ResolvedBand> Bands(Document page) => page.All.OfType<ResolvedBand>();
}
