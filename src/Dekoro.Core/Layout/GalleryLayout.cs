using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Layout;

/// <summary>Where the pictures of a gallery stand on one class of screen.</summary>
/// <param name="Boxes">In the running order.</param>
/// <param name="IsLevel">False where columns were to end level and cannot.</param>
/// <param name="BetweenPx">Gutter between boxes of a row; 0 where each box brings its own space.</param>
public sealed record GalleryLayout(
    ImmutableArray<GalleryBox> Boxes,
    ImmutableArray<Affine> ColumnWidths,
    bool IsLevel,
    double BetweenPx,
    double GutterPx
)
{
    /// <summary>Given up to rounding in browsers, which else would break a full row.</summary>
    private const double SlackPx = 0.02;

    /// <param name="shapes">Width over height of each picture.</param>
    /// <param name="ownPx">How wide each picture is, CSS px.</param>
    /// <param name="belowPx">What stands below each picture.</param>
    /// <param name="container">Inline size at the class's narrow end, at its reference width and at its wide end, CSS
    /// px.</param>
    public static GalleryLayout Of(
        Gallery gallery,
        WidthClass c,
        IReadOnlyList<double> shapes,
        IReadOnlyList<double> ownPx,
        IReadOnlyList<double> belowPx,
        (double Narrow, double At, double Wide) container
    ) =>
        gallery.Kind switch
        {
            GalleryKind.Rows => Rows(shapes, gallery.TargetHeightPx[c], gallery.GutterPx, container.At),
            GalleryKind.Level => Level(
                shapes,
                belowPx,
                gallery.Columns[c],
                gallery.GutterPx,
                container.Narrow,
                container.Wide
            ),
            GalleryKind.Even => Even(shapes, ownPx, gallery.GutterPx, container.Narrow),
            _ => Grid(gallery, shapes, gallery.Columns[c]),
        };

    /// <summary>Slides in one row, so many of them in view; the others beyond its end.</summary>
    /// <param name="peekPx">So much of the next shows at the end, CSS px, if there are more than are in view.</param>
    public static GalleryLayout Row(int count, int inView, double gutterPx, double shape, double peekPx = 0)
    {
        var width =
            Affine.Part(1.0 / inView, gutterPx)
            - Affine.Px(peekPx > 0 && count > inView ? (peekPx + gutterPx) / inView : 0);
        return new(
            [
                .. Enumerable
                    .Range(0, count)
                    .Select(i => new GalleryBox(i, 0, width, shape, double.PositiveInfinity, default, 1)),
            ],
            [],
            true,
            gutterPx,
            gutterPx
        );
    }

    /// <summary>How high it is, CSS px.</summary>
    public double HeightAt(double containerPx, IReadOnlyList<double> belowPx)
    {
        if (Boxes.IsEmpty)
            return 0;
        var lines = Boxes
            .GroupBy(b => b.Line)
            .Select(line => line.Select(b => b.WidthAt(containerPx) / b.Shape + belowPx[b.Item]).ToList())
            .ToList();
        return ColumnWidths.IsEmpty
            ? lines.Sum(line => line.Max()) + (lines.Count - 1) * GutterPx
            : lines.Max(line => line.Sum() + (line.Count - 1) * GutterPx);
    }

    private static GalleryLayout Grid(Gallery gallery, IReadOnlyList<double> shapes, int columns)
    {
        var width = Slack(Affine.Part(1.0 / columns, gallery.GutterPx));
        return new(
            [
                .. shapes.Select(
                    (shape, i) =>
                    {
                        var cell = gallery.Shape?.Value ?? shape;
                        return new GalleryBox(
                            i,
                            i / columns,
                            width,
                            cell,
                            double.PositiveInfinity,
                            default,
                            gallery.Whole ? Math.Min(1, shape / cell) : 1
                        );
                    }
                ),
            ],
            [],
            true,
            gallery.GutterPx,
            gallery.GutterPx
        );
    }

    private static GalleryLayout Rows(IReadOnlyList<double> shapes, double target, double gutter, double container)
    {
        var ends = RowBreaking.EndsOf(shapes, container, target, gutter);
        var boxes = ImmutableArray.CreateBuilder<GalleryBox>(shapes.Count);
        var (start, heights) = (0, new List<Affine>());
        foreach (var (end, line) in ends.Select((end, line) => (end, line)))
        {
            var count = end - start;
            var sum = shapes.Skip(start).Take(count).Sum();
            var height = 1 / sum * (Affine.Container - Affine.Px((count - 1) * gutter));
            // The last row is as high as the others are on the whole, or as is full where that is less: the same share
            // of full at every width.
            if (end == shapes.Count)
            {
                var like = heights.Count == 0 ? target : heights.Average(h => h.At(container));
                height = Math.Min(1, like / height.At(container)) * height;
            }
            heights.Add(height);
            for (var i = start; i < end; i++)
                boxes.Add(new(i, line, Slack(shapes[i] * height), shapes[i], double.PositiveInfinity, default, 1));
            start = end;
        }
        return new(boxes.ToImmutable(), [], true, gutter, gutter);
    }

    private static GalleryLayout Level(
        IReadOnlyList<double> shapes,
        IReadOnlyList<double> belowPx,
        int count,
        double gutter,
        double narrow,
        double wide
    )
    {
        if (shapes.Count == 0)
            return new([], [], true, gutter, gutter);
        var level = LevelColumns.Of(shapes, belowPx, count, gutter, narrow, wide);
        var columnOf = level
            .Columns.SelectMany((items, j) => items.Select(i => (i, j)))
            .ToDictionary(x => x.i, x => x.j);
        return new(
            [
                .. shapes.Select(
                    (shape, i) =>
                        new GalleryBox(
                            i,
                            columnOf[i],
                            level.Widths[columnOf[i]],
                            shape,
                            double.PositiveInfinity,
                            default,
                            1
                        )
                ),
            ],
            level.Widths,
            level.IsLevel,
            gutter,
            gutter
        );
    }

    private static GalleryLayout Even(
        IReadOnlyList<double> shapes,
        IReadOnlyList<double> ownPx,
        double gutter,
        double narrow
    )
    {
        var boxes = ImmutableArray.CreateBuilder<GalleryBox>(shapes.Count);
        var line = 0;
        for (var start = 0; start < shapes.Count; line++)
        {
            var (end, width) = (start + 1, ownPx[start]);
            while (end < shapes.Count && width + ownPx[end] + (end - start + 2) * gutter <= narrow)
                width += ownPx[end++];
            // One that is wider than the narrowest screen stands alone, and is as wide as there is room.
            var alone = end == start + 1 && width > narrow;
            var gap = Slack(1.0 / (end - start + 1) * (Affine.Container - Affine.Px(width)));
            for (var i = start; i < end; i++)
                boxes.Add(
                    new(
                        i,
                        line,
                        alone ? Affine.Container : Affine.Px(ownPx[i]),
                        shapes[i],
                        ownPx[i],
                        alone ? default : gap,
                        1
                    )
                );
            start = end;
        }
        return new(boxes.ToImmutable(), [], true, 0, gutter);
    }

    private static Affine Slack(Affine length) => length - Affine.Px(SlackPx);
}
