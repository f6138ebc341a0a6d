using CsCheck;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Tests.Arrangements;

public sealed class GalleryLayoutTests
{
    private static readonly Gen<double> Shapes = Gen.Double[-1, 1].Select(e => Math.Pow(4, e));
    private static readonly Gen<double[]> Lists = Shapes.Array[1, 40];

    private static double HeightOf(double[] shapes, int start, int end, double c, double g) =>
        (c - (end - start - 1) * g) / shapes[start..end].Sum();

    [Fact]
    public void Rows_hold_every_picture_once_end_flush_and_are_as_high_as_half_the_target_or_twice() =>
        Gen.Select(Gen.Double[0.5, 2].Array[1, 40], Gen.Double[800, 1400], Gen.Double[100, 260], Gen.Int[0, 20])
            .Sample(
                (shapes, c, t, g) =>
                {
                    var ends = RowBreaking.EndsOf(shapes, c, t, g);
                    Assert.Equal(shapes.Length, ends[^1]);
                    Assert.Equal(ends.Distinct().Order(), ends);
                    var starts = ends.Prepend(0).ToArray();
                    // With shapes from 1:2 to 2:1 in so much room there is always a way.
                    for (var r = 0; r + 1 < ends.Length; r++)
                        Assert.InRange(HeightOf(shapes, starts[r], ends[r], c, g), t / 2 - 1e-6, 2 * t + 1e-6);
                }
            );

    [Fact]
    public void No_way_to_break_a_short_list_is_better() =>
        Gen.Select(Shapes.Array[1, 9], Gen.Double[400, 900], Gen.Double[100, 260], Gen.Int[0, 20])
            .Sample(
                (shapes, c, t, g) =>
                {
                    var best = Cost(RowBreaking.EndsOf(shapes, c, t, g));
                    for (var ways = 0; ways < 1 << (shapes.Length - 1); ways++)
                    {
                        var tried = Cost([
                            .. Enumerable
                                .Range(1, shapes.Length)
                                .Where(i => i == shapes.Length || (ways >> (i - 1) & 1) > 0),
                        ]);
                        Assert.True(
                            best.Beyond < tried.Beyond - 1e-9
                                || (best.Beyond < tried.Beyond + 1e-6 && best.Sum <= tried.Sum + 1e-6),
                            $"{best} against {tried}"
                        );
                    }

                    (double Beyond, double Sum) Cost(IEnumerable<int> ends)
                    {
                        var (beyond, sum, start) = (0.0, 0.0, 0);
                        foreach (var end in ends)
                        {
                            var h = HeightOf(shapes, start, end, c, g);
                            if (h <= 0)
                                return (double.PositiveInfinity, 0);
                            var error = Math.Log((end == shapes.Length ? Math.Min(h, t) : h) / t);
                            (beyond, sum, start) = (
                                beyond + Math.Max(0, Math.Abs(error) - Math.Log(2)),
                                sum + error * error,
                                end
                            );
                        }
                        return (beyond, sum);
                    }
                }
            );

    [Fact]
    public void Breaking_the_whole_list_is_never_worse_than_filling_row_after_row_and_of_two_thousand_it_is_far_better()
    {
        var random = new Random(7);
        var shapes = Enumerable.Range(0, 2000).Select(_ => Math.Pow(3, random.NextDouble() * 2 - 1)).ToArray();
        double Error(IReadOnlyList<int> ends) => RowBreaking.ErrorOf(shapes, ends, 1200, 220, 12);
        Assert.True(
            Error(RowBreaking.EndsOf(shapes, 1200, 220, 12))
                < 0.7 * Error(RowBreaking.GreedyEndsOf(shapes, 1200, 220, 12))
        );
    }

    [Fact]
    public void A_picture_of_ten_to_one_stands_in_a_row_of_its_own_and_the_last_row_is_like_the_others()
    {
        Assert.Equal([1], RowBreaking.EndsOf([10], 300, 220, 12));
        var layout = Of(
            Gallery.Usual with
            {
                Kind = GalleryKind.Rows,
                TargetHeightPx = new(200, 200, 200),
                GutterPx = 0,
            },
            [1.5, 1.5, 1.5, 1.5, 1.5, 1.5, 1.5],
            900
        );
        Assert.Equal([0, 0, 0, 1, 1, 1, 2], layout.Boxes.Select(b => b.Line));
        Assert.Equal(300, layout.Boxes[6].WidthAt(900), 1);
        Assert.Equal(250, layout.Boxes[6].WidthAt(750), 1);
        Assert.Equal(
            300,
            Of(Gallery.Usual with { Kind = GalleryKind.Rows, TargetHeightPx = new(200, 200, 200) }, [1.5], 900)
                .Boxes[0]
                .WidthAt(900),
            1
        );
    }

    [Fact]
    public void Columns_that_are_called_level_end_level_at_every_width_and_hold_every_picture_in_order() =>
        Gen.Select(Shapes.Array[1, 30], Gen.Int[1, 6], Gen.Int[0, 60], Gen.Int[0, 1], Gen.Double[0, 80])
            .Sample(
                (shapes, count, g, captions, room) =>
                {
                    var below = shapes.Select((_, i) => captions * room * (i % 3)).ToArray();
                    var level = LevelColumns.Of(shapes, below, count, g, 500, 1100);
                    Assert.Equal(Enumerable.Range(0, shapes.Length), level.Columns.SelectMany(c => c).Order());
                    Assert.All(level.Columns, c => Assert.Equal(c.Order(), c));
                    foreach (var c in new[] { 500.0, 777, 1100 })
                    {
                        Assert.Equal(c, level.Widths.Sum(w => w.At(c)) + (level.Widths.Length - 1) * g, 6);
                        if (!level.IsLevel)
                            continue;
                        var heights = level
                            .Columns.Select(
                                (items, j) =>
                                    items.Sum(i => level.Widths[j].At(c) / shapes[i] + below[i])
                                    + (items.Length - 1) * g
                            )
                            .ToList();
                        Assert.InRange(heights.Max() - heights.Min(), 0, 1e-6);
                        var equal = (c - (level.Widths.Length - 1) * g) / level.Widths.Length;
                        Assert.All(level.Widths, w =>
                            Assert.InRange(
                                w.At(c) / equal,
                                1 - LevelColumns.MaxUneven - 1e-6,
                                1 + LevelColumns.MaxUneven + 1e-6
                            )
                        );
                    }
                }
            );

    [Fact]
    public void Thirty_usual_pictures_in_four_columns_can_be_made_level()
    {
        var shapes = Enumerable.Range(0, 30).Select(i => new[] { 1.5, 0.75, 1.0, 1.78, 0.67 }[i * 7 % 5]).ToArray();
        Assert.True(LevelColumns.Of(shapes, new double[30], 4, 12, 700, 1080).IsLevel);
    }

    [Fact]
    public void Every_kind_keeps_its_rows_inside_the_gallery_and_boxes_apart_at_every_width() =>
        Gen.Select(Gen.Enum<GalleryKind>(), Lists, Gen.Int[1, 6], Gen.Int[0, 60], Gen.Bool)
            .Sample(
                (kind, shapes, columns, g, whole) =>
                {
                    var layout = Of(
                        Gallery.Usual with
                        {
                            Kind = kind,
                            Columns = new(columns, columns, columns),
                            GutterPx = g,
                            Whole = whole,
                            Shape = whole ? AspectRatio.Of(1, 1) : null,
                        },
                        shapes,
                        900,
                        600,
                        1100
                    );
                    Assert.Equal(Enumerable.Range(0, shapes.Length), layout.Boxes.Select(b => b.Item));
                    if (kind == GalleryKind.Level)
                        return;
                    foreach (var c in new[] { 600.0, 900, 1100 })
                    {
                        foreach (var row in layout.Boxes.GroupBy(b => b.Line))
                            Assert.InRange(
                                row.Sum(b => b.WidthAt(c) + b.Before.At(c)) + (row.Count() - 1) * layout.BetweenPx,
                                0,
                                c + 1e-6
                            );
                    }
                    Assert.All(layout.Boxes, b => Assert.InRange(b.PictureShare, 0.01, 1));
                    if (kind == GalleryKind.Rows)
                    {
                        foreach (var row in layout.Boxes.GroupBy(b => b.Line).SkipLast(1))
                            Assert.Equal(1000, row.Sum(b => b.WidthAt(1000)) + (row.Count() - 1) * g, 0.9);
                    }
                }
            );

    [Fact]
    public void Evenly_spaced_pictures_stand_at_their_own_size_with_the_same_space_between_and_round_them()
    {
        var layout = Of(
            Gallery.Usual with
            {
                Kind = GalleryKind.Even,
                GutterPx = 10,
            },
            [1, 1, 1, 1],
            400,
            ownPx: [100, 120, 80, 2000]
        );
        Assert.Equal([0, 0, 0, 1], layout.Boxes.Select(b => b.Line));
        Assert.Equal([100, 120, 80, 500], layout.Boxes.Select(b => b.WidthAt(500)));
        Assert.All(layout.Boxes.Take(3), b => Assert.Equal(50, b.Before.At(500), 0.1));
    }

    [Fact]
    public void Of_nine_wide_pictures_the_one_upright_stands_out_by_shape_a_small_one_by_size_and_of_two_none()
    {
        Arrangement Set(params string[] assets) =>
            new(
                "a",
                "A",
                Gallery.Usual with
                {
                    Shape = null,
                },
                [
                    .. assets.Select(
                        (asset, i) =>
                            new ArrangementItem($"i{i}", asset, true, new(false, null), null, new(FigureLinkKind.None))
                    ),
                ]
            );
        PixelSize? Size(string asset) =>
            asset switch
            {
                "tall" => new(600, 1000),
                "small" => new(300, 200),
                "huge" => new(6000, 4000),
                "gone" => null,
                _ => new(900, 600),
            };
        Assert.Equal(["i3"], Set("a", "b", "c", "tall", "d", "e", "f", "g", "h").Uneven(Size, 1120));
        Assert.Empty(Set("a", "tall").Uneven(Size, 1120));
        // Of one shape already, none does.
        Assert.Empty((Set("a", "b", "c", "tall") with { Gallery = Gallery.Usual }).Uneven(Size, 1120));
        // In cells a small one is as large as the others; at its own size it is not, and none is larger than there is
        // room.
        var mixed = Set("a", "b", "gone", "small", "huge", "tall", "c");
        Assert.Equal(["i5"], mixed.Uneven(Size, 1120));
        Assert.Equal(
            ["i3", "i5"],
            (mixed with { Gallery = mixed.Gallery with { Kind = GalleryKind.Even } }).Uneven(Size, 1120)
        );
        // None stands wider than is wanted: a file of 6,000 px is as wide as one of 900 then.
        Assert.Equal(
            [300, 450, 450],
            new[] { 300, 900, 6000 }
                .Select(px => mixed.Gallery with { MostWidePx = 450 })
                .Zip([300, 900, 6000], (gallery, px) => gallery.OwnPx(px))
        );
        var followed = Set("a", "b").Holding(["b", "new", "b"]);
        Assert.Equal(["i1", "fnew"], followed.Items.Select(i => i.Id));
    }

    [Theory]
    [InlineData(0, 3, 1, false, new int[0])]
    [InlineData(2, 3, 3, true, new[] { 0 })]
    [InlineData(7, 3, 2, false, new[] { 0, 2, 4 })]
    [InlineData(8, 3, 2, false, new[] { 0, 2, 4, 5 })]
    [InlineData(7, 3, 2, true, new[] { 0, 2, 4, 6 })]
    [InlineData(5, 2, 9, false, new[] { 0, 2, 3 })]
    public void There_is_a_stop_for_each_step_and_the_last_shows_the_last_picture(
        int count,
        int inView,
        int step,
        bool loops,
        int[] stops
    ) => Assert.Equal(stops, SnapPositions.Of(count, inView, step, loops));

    [Fact]
    public void Stops_are_as_many_as_the_count_says() =>
        Gen.Select(Gen.Int[0, 13], Gen.Int[1, 5], Gen.Int[1, 5], Gen.Bool)
            .Sample(
                (n, v, s, loops) =>
                {
                    var stops = SnapPositions.Of(n, v, s, loops);
                    var step = Math.Min(s, v);
                    Assert.Equal(
                        n == 0 ? 0
                            : n <= v ? 1
                            : loops ? (n + step - 1) / step
                            : (n - v + step - 1) / step + 1,
                        stops.Length
                    );
                    Assert.Equal(stops.Order().Distinct(), stops);
                    if (!loops && n > v)
                        Assert.Equal(n - v, stops[^1]);
                }
            );

    private static GalleryLayout Of(
        Gallery gallery,
        double[] shapes,
        double at,
        double? narrow = null,
        double? wide = null,
        double[]? ownPx = null
    ) =>
        GalleryLayout.Of(
            gallery,
            WidthClass.Desktop,
            shapes,
            ownPx ?? [.. shapes.Select(s => 150 * s)],
            new double[shapes.Length],
            (narrow ?? at, at, wide ?? at)
        );
}
