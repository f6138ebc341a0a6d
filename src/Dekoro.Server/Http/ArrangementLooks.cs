using System.Globalization;
using System.Text.Json;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Library;
using Dekoro.Core.Planning;
using Dekoro.Core.Widths;
using Dekoro.Server.Work;
using Dekoro.Storage;

namespace Dekoro.Server.Http;

/// <param name="Notices">Of the whole set; those of single pictures stand with them.</param>
/// <param name="Timing">Of a slider or carousel on desktops.</param>
/// <param name="Uneven">Ids of items that stand out among the others by shape or size, where the cells are not of one shape.</param>
/// <param name="Words">Of each picture, as the library has them; one that is missing is no longer there.</param>
/// <param name="ItemWords">What is read out and shown with each item.</param>
/// <param name="LargerBytes">About how much a picture weighs in the larger view, by the size of its file.</param>
/// <param name="OverSlides">How readable words over slides are; null where none have words.</param>
public sealed record ArrangementLook(string Id, long Version, ArrangementValues Values, IReadOnlyDictionary<string, Words> Words, IReadOnlyDictionary<string, ItemWords> ItemWords, IReadOnlyList<PageTitle> UsedIn, IReadOnlyList<string> Uneven, Timing? Timing, WordsOverLook? OverSlides, ItemOrders Orders, IReadOnlyDictionary<string, long> LargerBytes, IReadOnlyDictionary<string, ItemFit> Fits, IReadOnlyDictionary<string, Dated> Dated, IReadOnlyList<string> Notices);

/// <param name="Words">When it is shown.</param>
public sealed record Dated(bool IsShown, string Words);

/// <summary>How a picture of an arrangement fits where that reaches furthest.</summary>
/// <param name="Worst">On any class of screen.</param>
/// <param name="Loss">What its cut takes from the keep area, in words; empty for nothing.</param>
public sealed record ItemFit(FitWord Worst, PerClass<FitLook?> Fits, Remedy? Remedy, string Loss);

/// <summary>Ids of items as they stand sorted: by title, by the day they were taken or came in, and from the widest to the narrowest.</summary>
public sealed record ItemOrders(IReadOnlyList<string> Name, IReadOnlyList<string> Date, IReadOnlyList<string> Shape);

/// <param name="Contrast">Of the worst on each class of screen; null where words stand below.</param>
/// <param name="Below">Where words stand below their slides, and why; null where none do.</param>
/// <param name="Mend">What makes all readable; null where they are, or nothing does.</param>
public sealed record WordsOverLook(PerClass<Contrast?> Contrast, string? Below, GroundMendLook? Mend);

/// <summary>What is told of an arrangement beside its values.</summary>
internal static class ArrangementLooks
{
    public static ArrangementLook? Of(string id, Workspace workspace, PlanBook book, StagePlans stage)
    {
        if (workspace.Arrangements.Find(id) is not { } row || book.ArrangementOf(id) is not { } set) return null;
        var assets = workspace.Assets.FindMany([.. set.Items.Select(i => i.AssetId).Distinct()]).ToDictionary(a => a.Id);
        var facts = assets.ToDictionary(a => a.Key, a => a.Value.Facts);
        var plans = stage.Of(set);
        return new(id, row.Version, ArrangementValues.Of(set), facts.ToDictionary(f => f.Key, f => f.Value.Words),
            set.Items.Where(i => facts.ContainsKey(i.AssetId)).ToDictionary(i => i.Id, i => ItemWords.Of(set, i, facts[i.AssetId])), [.. book.PagesByArrangement()[id].Select(p => new PageTitle(p.Id, p.Title))],
            set.Uneven(asset => facts.GetValueOrDefault(asset)?.Size, plans.SelectMany(p => p.Sets.Values).FirstOrDefault() is { } shown ? shown.Room.At(plans[0].Layout.Style.Classes.ReferencePx.Desktop) : double.PositiveInfinity),
            Timing.Of(set, item => facts.TryGetValue(item.AssetId, out var picture) ? PagePlanner.CaptionOf(set.CaptionOf(item), picture) : ""), OverSlidesOf(plans),
            new(set.SortedBy(i => facts.GetValueOrDefault(i.AssetId)?.Words.Title, StringComparer.OrdinalIgnoreCase), set.SortedBy(i => DayOf(assets.GetValueOrDefault(i.AssetId)), StringComparer.Ordinal), set.SortedBy(i => -facts.GetValueOrDefault(i.AssetId)?.Size.Shape.Value)),
            facts.Count == 0 ? [] : Enum.GetValues<LargerSize>().ToDictionary(size => JsonNamingPolicy.CamelCase.ConvertName(size.ToString()), size => (long)facts.Values.Average(f => PagePlanner.LargeBytesOf(f, size))),
            FitsOf(set, plans),
            set.Items.Where(i => i.Dates is not null).ToDictionary(i => i.Id, i => new Dated(i.IsDue, i.Dates!.InWords(book.Today))),
            [.. plans.SelectMany(p => p.Notices).Where(n => n.BlockId == "stage").Select(n => n.Sentence).Distinct()]);

        static string? DayOf(Asset? asset) => asset?.TakenOn ?? asset?.AddedAt.ToString("o", CultureInfo.InvariantCulture);
    }

    private static WordsOverLook? OverSlidesOf(IReadOnlyList<PagePlan> plans)
    {
        var slides = plans.SelectMany(p => p.Grounds.Values).ToList();
        if (slides.Count == 0 || plans.SelectMany(p => p.Sets.Values).FirstOrDefault() is not { } stage) return null;
        return new(GroundPlan.WorstOf(slides),
            stage.WordsBelowInWords, GroundPlan.MendOf(slides, plans[0].Layout) is { } mend ? new(mend.Words, mend.Tint.ToString(), mend.Strength) : null);
    }

    private static Dictionary<string, ItemFit> FitsOf(Arrangement set, IReadOnlyList<PagePlan> plans)
    {
        var block = new ArrangementBlock("stage", set.Id, SizeRole.Wide);
        var figures = plans.SelectMany(p => p.Figures.Values).DistinctBy(f => f.Block.Id).ToDictionary(f => f.Block.Id);
        return set.Shown.Where(i => figures.ContainsKey(block.FigureIdOf(i))).Select(i => (Item: i, Figure: figures[block.FigureIdOf(i)])).ToDictionary(f => f.Item.Id, f => new ItemFit(
            f.Figure.Worst,
            f.Figure.Fits.Select((c, fit) => Looking.FitOf(fit, f.Figure.On(c) is { IsUnchanged: true } cut ? cut.Picture.FileBytes : null)), Remedy.For(f.Figure, plans[0].Layout), f.Figure.Usual.Loss.InWords()));
    }
}
