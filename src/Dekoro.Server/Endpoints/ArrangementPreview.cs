using System.Globalization;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Checks;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Server.Contracts;
using Dekoro.Storage;

namespace Dekoro.Server.Endpoints;

/// <summary>What is told of an arrangement beside its values.</summary>
internal sealed class ArrangementPreview(Workspace workspace, PlanningContext planning, StagePlans stage)
{
    /// <summary>Of one that is there.</summary>
    public ArrangementResponse There(string id) => Of(id)!;

    /// <returns>Null for one that is not there.</returns>
    public ArrangementResponse? Of(string id)
    {
        if (workspace.Arrangements.Find(id) is not { } row || planning.ArrangementOf(id) is not { } set)
            return null;
        var assets = workspace
            .Assets.FindMany([.. set.Items.Select(i => i.AssetId).Distinct()])
            .ToDictionary(a => a.Id);
        var facts = assets.ToDictionary(a => a.Key, a => a.Value.Facts);
        var plans = stage.Of(set);
        return new(
            id,
            row.Version,
            ArrangementValues.Of(set),
            facts.ToDictionary(f => f.Key, f => f.Value.Metadata),
            set.Items.Where(i => facts.ContainsKey(i.AssetId))
                .ToDictionary(i => i.Id, i => ItemWords.Of(set, i, facts[i.AssetId])),
            [.. planning.Used.Sets[id].Select(p => new PageTitle(p.Id, p.Title))],
            set.Uneven(
                asset => facts.GetValueOrDefault(asset)?.Size,
                plans.SelectMany(p => p.Sets.Values).FirstOrDefault() is { } shown
                    ? shown.Room.At(plans[0].Layout.Style.Classes.ReferencePx.Desktop)
                    : double.PositiveInfinity
            ),
            Timing.Of(set, item =>
                facts.TryGetValue(item.AssetId, out var picture) ? Placed.CaptionOf(set.CaptionOf(item), picture) : ""
            ),
            OverSlidesOf(plans),
            new(
                set.SortedBy(i => facts.GetValueOrDefault(i.AssetId)?.Metadata.Title, StringComparer.OrdinalIgnoreCase),
                set.SortedBy(i => DayOf(assets.GetValueOrDefault(i.AssetId)), StringComparer.Ordinal),
                set.SortedBy(i => -facts.GetValueOrDefault(i.AssetId)?.Size.Shape.Value)
            ),
            facts.Count == 0
                ? []
                : Enum.GetValues<LightboxSize>()
                    .ToDictionary(
                        size => WireName.Of(size),
                        size => (long)facts.Values.Average(f => FigurePlanner.LargeBytesOf(f, size))
                    ),
            FitsOf(set, plans),
            set.Items.Where(i => i.Dates is not null)
                .ToDictionary(i => i.Id, i => new Dated(i.IsDue, i.Dates!.InWords(planning.Today))),
            [
                .. plans
                    .SelectMany(p => PageChecks.Of(p))
                    .Where(n => n.BlockId == "stage")
                    .Select(n => n.Sentence)
                    .Distinct(),
            ]
        );

        static string? DayOf(Asset? asset) =>
            asset?.TakenOn ?? asset?.AddedAt.ToString("o", CultureInfo.InvariantCulture);
    }

    private static WordsOverResponse? OverSlidesOf(IReadOnlyList<PagePlan> plans)
    {
        var slides = plans.SelectMany(p => p.Grounds.Values).ToList();
        if (slides.Count == 0 || plans.SelectMany(p => p.Sets.Values).FirstOrDefault() is not { } stage)
            return null;
        return new(
            BackdropPlan.WorstOf(slides),
            stage.WordsBelowInWords,
            BackdropPlan.MendOf(slides, plans[0].Layout) is { } mend
                ? new(mend.Words, mend.Tint.ToString(), mend.Strength)
                : null
        );
    }

    private static Dictionary<string, ItemFit> FitsOf(Arrangement set, IReadOnlyList<PagePlan> plans)
    {
        var block = new ArrangementBlock("stage", set.Id, SizeRole.Wide);
        var figures = plans.SelectMany(p => p.Figures.Values).DistinctBy(f => f.Block.Id).ToDictionary(f => f.Block.Id);
        return set
            .Shown.Where(i => figures.ContainsKey(block.FigureIdOf(i)))
            .Select(i => (Item: i, Figure: figures[block.FigureIdOf(i)]))
            .ToDictionary(
                f => f.Item.Id,
                f => new ItemFit(
                    f.Figure.Worst,
                    f.Figure.Fits.Select((c, fit) => DraftPreview.FitOf(fit, f.Figure.BytesOn(c))),
                    Remedy.For(f.Figure, plans[0].Layout),
                    f.Figure.Usual.Loss.InWords()
                )
            );
    }
}
