using Dekoro.Core.Arrangements;
using Dekoro.Core.Layout;
using Dekoro.Core.Responsive;

namespace Dekoro.Publishing.Views;

/// <summary>A gallery with all its pictures, or a part of it.</summary>
public partial class SetView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required ArrangementPlan Set { get; set; }

    private int Sheets => Set.Block.Sheets;

    /// <summary>The first, the last, and those round the one that is shown; a gap is 0.</summary>
    private IEnumerable<int> Offered =>
        Enumerable
            .Range(1, Sheets)
            .Where(n => n == 1 || n == Sheets || Math.Abs(n - Set.Block.Sheet!.Value) <= 1)
            .Aggregate(new List<int>(), (list, n) =>
                [.. list, .. list.LastOrDefault() is > 0 and var last && n > last + 1 ? new[] { 0 } : [], n]
            );

    private string Classes =>
        string.Join(
            ' ',
            new[]
            {
                "set",
                "set-" + SiteCss.NameOf(Set.Gallery.Kind),
                "fig-" + SiteCss.NameOf(Set.Block.Reach),
                "captions-" + SiteCss.NameOf(Set.Gallery.Captions),
                Set.Gallery is { Whole: true, ShapeOfCells: not null } ? "set-whole" : null,
                "align-" + SiteCss.NameOf(Set.Gallery.Align),
            }.OfType<string>()
        );

    /// <summary>
    /// Layouts that differ in which picture stands in which column, each with the classes that have it.
    /// </summary>
    private IEnumerable<(GalleryLayout Layout, List<WidthClass> On)> Variants =>
        WidthClasses
            .All.GroupBy(c => string.Join(',', Set.Layouts[c].Boxes.Select(b => b.Line)))
            .Select(g => (Set.Layouts[g.First()], g.ToList()));

    private static string HiddenBut(List<WidthClass> on) =>
        string.Join(' ', WidthClasses.All.Where(c => !on.Contains(c)).Select(c => "hidden-" + SiteCss.Name(c)));

    private string WidthsOfColumn(int column) =>
        WidthsOf(c =>
            Set.Layouts[c].ColumnWidths.Length > column ? Set.Layouts[c].ColumnWidths[column].ToCss("%") : null
        );

    private string StyleOf(int i)
    {
        var parts = new List<string>();
        // Cells are all alike, and said once for the whole set.
        if (Set.Gallery.Kind != GalleryKind.Grid)
            parts.Add(
                WidthsOf(c =>
                    Set.Layouts[c].Boxes[i] is var box
                        ? double.IsInfinity(box.MostPx)
                            ? box.Width.ToCss("%")
                            : $"min({Px(box.MostPx)}, {box.Width.ToCss("%")})"
                        : null
                )
            );
        parts.AddRange(
            WidthClasses
                .All.Where(c => Set.Layouts[c].Boxes[i].Before != default)
                .Select(c => $"--before-{SiteCss.Name(c)}:{Set.Layouts[c].Boxes[i].Before.ToCss("%")}")
        );
        if (Set.Gallery is { Whole: true, ShapeOfCells: not null })
            parts.Add(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"--share:{100 * Set.Layouts.Desktop.Boxes[i].PictureShare:0.######}%"
                )
            );
        return string.Join(';', parts);
    }

    /// <summary>What the larger view of this set offers, for its script.</summary>
    internal static string ViewOf(ArrangementPlan set)
    {
        var view = set.Block.Arrangement.Larger;
        return string.Join(
            ' ',
            new[]
            {
                view.Credit ? "credit" : null,
                view.Zooms ? "zoom" : null,
                view.Plays ? "play" : null,
                view.Shares ? "share" : null,
                view.Downloads ? "download" : null,
            }.OfType<string>()
        );
    }

    internal static string WidthsOf(Func<WidthClass, string?> widthOf) =>
        string.Join(
            ';',
            WidthClasses
                .All.Select(c => (c, Width: widthOf(c)))
                .Where(w => w.Width is not null)
                .Select(w => $"--wide-{SiteCss.Name(w.c)}:{w.Width}")
        );

    private static string Px(double px) => string.Create(CultureInfo.InvariantCulture, $"{px:0.######}px");
}
