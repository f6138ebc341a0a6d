using CsCheck;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Tests.Editing;

public sealed class EditsTests
{
    private static readonly Gen<FocalRegion> Boxes = Gen.Select(
        Gen.Double[0, 0.6],
        Gen.Double[0, 0.6],
        Gen.Double[0.1, 0.4],
        Gen.Double[0.1, 0.4],
        (x, y, w, h) => new FocalRegion(x, y, w, h)
    );
    private static readonly Gen<Edits> Any = Gen.Select(
        Gen.Int[0, 3],
        Gen.Bool,
        Gen.Double[-15, 15],
        Boxes,
        (q, m, deg, box) => Edits.Of(q, m, deg, box, Adjustments.None)
    );
    private static readonly Gen<PixelSize> Sizes = Gen.Select(Gen.Int[40, 6000], Gen.Int[40, 6000], (w, h) =>
        new PixelSize(w, h)
    );

    [Fact]
    public void Four_turns_are_nothing_and_so_are_two_mirrorings() =>
        Any.Sample(e =>
        {
            Assert.Equal(e, e.Turned().Turned().Turned().Turned());
            Assert.Equal(e, e.Mirrored().Mirrored());
            Assert.Equal(e.Turned(3), e.Turned(-1));
            // A picture mirrored and turned is the one turned the other way and mirrored.
            Assert.Equal(e.Mirrored().Turned(), e.Turned(-1).Mirrored());
        });

    [Fact]
    public void What_is_seen_turns_and_mirrors_with_the_picture() =>
        Gen.Select(Any, Sizes)
            .Sample(
                (e, size) =>
                {
                    var (before, w) = (
                        e.MapFrom(size).Of(size.Width * 0.3, size.Height * 0.7),
                        e.FrameOf(size).Width * e.Window.Width
                    );
                    var h = e.FrameOf(size).Height * e.Window.Height;
                    var mirrored = e.Mirrored().MapFrom(size).Of(size.Width * 0.3, size.Height * 0.7);
                    Near((w - before.X, before.Y), mirrored, size);
                    var turned = e.Turned().MapFrom(size).Of(size.Width * 0.3, size.Height * 0.7);
                    Near((h - before.Y, before.X), turned, size);
                }
            );

    [Fact]
    public void No_corner_of_an_edited_picture_lies_outside_its_original() =>
        Gen.Select(Any, Sizes)
            .Sample(
                (e, size) =>
                {
                    var back = e.MapFrom(size).Inverse();
                    var (fw, fh) = e.FrameOf(size);
                    var (w, h) = (fw * e.Window.Width, fh * e.Window.Height);
                    foreach (var (x, y) in new[] { (0.0, 0.0), (w, 0), (0, h), (w, h) })
                    {
                        var at = back.Of(x, y);
                        Assert.InRange(at.X, -0.01, size.Width + 0.01);
                        Assert.InRange(at.Y, -0.01, size.Height + 0.01);
                    }
                    Assert.InRange(e.SizeOf(size).Width, 1, Math.Max(size.Width, size.Height));
                }
            );

    [Fact]
    public void Straightening_keeps_the_shape_and_takes_no_more_than_it_must() =>
        Gen.Select(Gen.Double[-15, 15], Sizes)
            .Sample(
                (deg, size) =>
                {
                    var e = Edits.None.Straightened(deg);
                    var (w, h) = e.FrameOf(size);
                    Assert.Equal((double)size.Width / size.Height, w / h, 1e-9 * size.Width);
                    // A frame a hair larger would stick out.
                    var back = e.MapFrom(size).Inverse();
                    var outside = new[] { (-0.01, -0.01), (1.01, -0.01), (-0.01, 1.01), (1.01, 1.01) }.Select(c =>
                        back.Of(c.Item1 * w, c.Item2 * h)
                    );
                    Assert.Contains(outside, p => p.X < 0 || p.Y < 0 || p.X > size.Width || p.Y > size.Height);
                }
            );

    [Fact]
    public void The_keep_area_follows_every_edit_and_comes_back_with_it() =>
        Gen.Select(Any, Boxes, Sizes)
            .Sample(
                (e, keep, size) =>
                {
                    // On a strip narrower than a few px, one px is as much as a whole box: nothing can be marked on it.
                    if (Math.Min(e.SizeOf(size).Width, e.SizeOf(size).Height) < 6)
                        return;
                    // Small pictures cut small are rounded to whole px, which moves a box by part of one.
                    var slack = 1.5 / Math.Min(e.SizeOf(size).Width, e.SizeOf(size).Height);
                    foreach (var to in new[] { e.Turned(), e.Turned(2), e.Mirrored(), e.Mirrored().Turned() })
                    {
                        var there = e.Follow(keep, to, size)!.Value;
                        var back = to.Follow(there, e, size)!.Value;
                        Assert.Equal(keep.X, back.X, slack + 1e-6);
                        Assert.Equal(keep.Width, back.Width, 2 * slack + 1e-6);
                        Assert.Equal(keep.Height, back.Height, 2 * slack + 1e-6);
                    }
                    // A cut or a slant never lets a point of it that is still in the picture out of the box.
                    if (Edits.None.Follow(keep, e, size) is not { } followed)
                        return;
                    var (w, h) = (e.SizeOf(size).Width, e.SizeOf(size).Height);
                    var middle = e.MapFrom(size).Of(keep.CentreX * size.Width, keep.CentreY * size.Height);
                    if (middle.X > 0 && middle.X < w && middle.Y > 0 && middle.Y < h)
                    {
                        Assert.InRange(middle.X / w, followed.X - 1e-9, followed.X + followed.Width + 1e-9);
                        Assert.InRange(middle.Y / h, followed.Y - 1e-9, followed.Y + followed.Height + 1e-9);
                    }
                }
            );

    [Fact]
    public void A_keep_area_that_is_cut_away_is_gone_and_adjusting_moves_nothing()
    {
        var size = new PixelSize(4000, 3000);
        var keep = new FocalRegion(0.8, 0.8, 0.1, 0.1);
        Assert.Null(Edits.None.Follow(keep, Edits.None.CutTo(new(0, 0, 0.5, 0.5)), size));
        Assert.Equal(keep, Edits.None.Follow(keep, Edits.None.Adjusted(Adjustments.Of(light: 20)), size));
        Assert.Equal(
            new FocalRegion(0.25, 0.5, 0.5, 0.25),
            Edits.None.Follow(new(0.25, 0.25, 0.25, 0.125), Edits.None.CutTo(new(0.125, 0, 0.5, 0.5)), size)
        );
    }

    [Fact]
    public void Edits_beyond_their_scale_cannot_be_made()
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => Edits.None.Straightened(15.1));
        Assert.Throws<ArgumentOutOfRangeException>(() => Edits.None.Straightened(double.NaN));
        Assert.Throws<ArgumentOutOfRangeException>(() => Edits.None.CutTo(new(0, 0, 0.01, 1)));
        Assert.Throws<ArgumentOutOfRangeException>(() => Adjustments.Of(light: 101));
        Assert.Throws<ArgumentOutOfRangeException>(() => Adjustments.Of(sharpen: -1));
    }

    private static void Near((double X, double Y) expected, (double X, double Y) actual, PixelSize size)
    {
        // A window is kept to a millionth.
        var slack = 1e-5 * Math.Max(size.Width, size.Height);
        Assert.Equal(expected.X, actual.X, slack);
        Assert.Equal(expected.Y, actual.Y, slack);
    }
}
