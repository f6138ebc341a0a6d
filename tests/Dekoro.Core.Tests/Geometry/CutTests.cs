using System.Globalization;
using CsCheck;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Tests.Geometry;

public sealed class CutTests
{
    private static readonly Gen<PixelSize> Sizes = Gen.Select(Gen.Int[1, 8000], Gen.Int[1, 8000], (w, h) =>
        new PixelSize(w, h)
    );
    private static readonly Gen<AspectRatio> Shapes = Gen.Select(Gen.Double[0.2, 5], a => AspectRatio.Of(a, 1));

    private static readonly Gen<FocalRegion> Boxes = Gen.Select(
        Gen.Double[0, 0.9],
        Gen.Double[0, 0.9],
        Gen.Double[0.01, 1],
        Gen.Double[0.01, 1],
        (x, y, w, h) => new FocalRegion(x, y, Math.Min(w, 1 - x), Math.Min(h, 1 - y))
    );

    [Fact]
    public void A_cut_is_the_largest_window_of_its_shape_inside_the_picture() =>
        Gen.Select(Shapes, Sizes, Boxes)
            .Sample(
                (shape, size, keep) =>
                {
                    var cut = Cut.To(shape, size, keep);
                    Assert.True(
                        cut.X >= 0 && cut.Y >= 0 && cut.X + cut.Width <= size.Width && cut.Y + cut.Height <= size.Height
                    );
                    Assert.True(
                        cut.Width == size.Width || cut.Height == size.Height,
                        "One side reaches from edge to edge."
                    );
                    // Within half a source px of the shape asked for, unless the picture is a px thin.
                    Assert.True(
                        Math.Abs(cut.Width - shape.Value * cut.Height) <= 0.5 * Math.Max(1, shape.Value) + 1e-6
                            || cut.Width == 1
                            || cut.Height == 1
                    );
                }
            );

    [Fact]
    public void A_keep_area_that_fits_is_never_cut() =>
        Gen.Select(Shapes, Sizes, Boxes)
            .Sample(
                (shape, size, keep) =>
                {
                    var cut = Cut.To(shape, size, keep);
                    // A box whose edges lie inside px needs the whole px.
                    var (w, h) = (PxSpan(keep.X, keep.Width, size.Width), PxSpan(keep.Y, keep.Height, size.Height));
                    if (w <= cut.Width && h <= cut.Height)
                        Assert.True(cut.LossFrom(keep, size).IsNone);
                }
            );

    [Fact]
    public void What_is_lost_and_what_is_kept_make_the_whole_keep_area() =>
        Gen.Select(Shapes, Sizes, Boxes)
            .Sample(
                (shape, size, keep) =>
                {
                    var (cut, x) = (Cut.To(shape, size, keep), keep.X * size.Width);
                    var loss = cut.LossFrom(keep, size);
                    var kept =
                        Math.Max(0, Math.Min(cut.X + cut.Width, x + keep.Width * size.Width) - Math.Max(cut.X, x))
                        / (keep.Width * size.Width);
                    var slack = 2.0 / (keep.Width * size.Width);
                    Assert.InRange(loss.Left + loss.Right + kept, 1 - slack, 1 + slack);
                }
            );

    [Fact]
    public void Object_position_shows_the_very_window_that_was_cut() =>
        Gen.Select(Shapes, Sizes, Boxes)
            .Sample(
                (shape, size, keep) =>
                {
                    var cut = Cut.To(shape, size, keep);
                    var position = cut.ObjectPosition(size)
                        .Replace("%", "", StringComparison.Ordinal)
                        .Split(' ')
                        .Select(p => double.Parse(p, CultureInfo.InvariantCulture) / 100)
                        .ToArray();
                    // CSS Images 3, 5.5: the offset is the share of the room that is left.
                    Assert.InRange(position[0] * (size.Width - cut.Width), cut.X - 0.01, cut.X + 0.01);
                    Assert.InRange(position[1] * (size.Height - cut.Height), cut.Y - 0.01, cut.Y + 0.01);
                }
            );

    [Fact]
    public void Losses_are_named_by_side_and_share_the_worst_first() =>
        Assert.Equal("25 % cut at the bottom, 12 % cut at the left", new KeepLoss(0.12, 0, 0, 0.25).InWords());

    [Theory]
    [InlineData("16:9", 16.0 / 9)]
    [InlineData("1:1", 1)]
    [InlineData("2.35:1", 2.35)]
    public void Shapes_are_read_as_people_write_them(string text, double value)
    {
        Assert.True(AspectRatio.TryParse(text, out var shape));
        Assert.Equal(value, shape.Value, 9);
        Assert.Equal(text, shape.ToString());
    }

    [Theory]
    [InlineData("16/9")]
    [InlineData("0:1")]
    [InlineData("-3:2")]
    [InlineData("1:NaN")]
    [InlineData("")]
    public void What_is_not_a_shape_is_refused(string text) => Assert.False(AspectRatio.TryParse(text, out _));

    [Fact]
    public void A_keep_area_outside_the_picture_cannot_be() =>
        Assert.Throws<ArgumentOutOfRangeException>(() => new FocalRegion(0.6, 0, 0.5, 1));

    private static int PxSpan(double start, double length, int source) =>
        (int)Math.Ceiling((start + length) * source - 1e-9) - (int)Math.Floor(start * source + 1e-9);
}
