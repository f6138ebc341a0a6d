using System.Globalization;
using CsCheck;
using Dekoro.Core.Colour;
using Dekoro.Core.Delivery;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using NetVips;

namespace Dekoro.Imaging.Tests;

/// <summary>Edits as Core states them against the pixels that come out.</summary>
public sealed class EditingTests : IDisposable
{
    private static readonly PixelSize Size = new(400, 300);
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-editing").FullName;

    [Fact]
    public void A_grid_of_samples_says_what_lies_where_in_the_edited_picture()
    {
        // Left half red, right half see-through blue.
        var path = Path.Combine(_folder, "halves.png");
        using (
            var left = (Image.Black(300, 400) + new[] { 255.0, 0, 0, 255 })
                .Cast(Enums.BandFormat.Uchar)
                .Copy(interpretation: Enums.Interpretation.Srgb)
        )
        using (
            var right = (Image.Black(300, 400) + new[] { 0.0, 0, 255, 0 })
                .Cast(Enums.BandFormat.Uchar)
                .Copy(interpretation: Enums.Interpretation.Srgb)
        )
        using (var both = left.Join(right, Enums.Direction.Horizontal))
            both.Pngsave(path);
        var grid = Measure.GridOf(path, PictureFormat.Png, new(600, 400), Edits.None);
        Assert.Equal(Srgb.Parse("#ff0000"), grid.MeanOf(0.1, 0.1, 0.3, 0.8, Srgb.White));
        Assert.Equal(Srgb.White, grid.MeanOf(0.6, 0.1, 0.3, 0.8, Srgb.White));
        var mirrored = Measure.GridOf(
            path,
            PictureFormat.Png,
            new(600, 400),
            Edits.Of(0, true, 0, Edits.None.Window, Adjustments.None)
        );
        Assert.Equal(Srgb.Parse("#ff0000"), mirrored.MeanOf(0.6, 0.1, 0.3, 0.8, Srgb.White));
        Assert.InRange(grid.Width, 300, 512);
    }

    [Fact]
    public void Every_pixel_comes_from_where_the_edits_say()
    {
        // A chart on which every point's colour says where it is.
        var chart = Path.Combine(_folder, "chart.png");
        using (var xy = Image.Xyz(Size.Width, Size.Height))
        using (var red = xy[0] * (255.0 / Size.Width))
        using (var green = xy[1] * (255.0 / Size.Height))
            red.Bandjoin(green, red * 0 + 128)
                .Cast(Enums.BandFormat.Uchar)
                .Copy(interpretation: Enums.Interpretation.Srgb)
                .Pngsave(chart);
        var edits = Gen.Select(
            Gen.Int[0, 3],
            Gen.Bool,
            Gen.OneOf(Gen.Const(0.0), Gen.Double[-15, 15]),
            Gen.Select(
                Gen.Double[0, 0.5],
                Gen.Double[0, 0.5],
                Gen.Double[0.2, 0.5],
                Gen.Double[0.2, 0.5],
                (x, y, w, h) => new FocalRegion(x, y, w, h)
            ),
            (q, m, deg, box) => Edits.Of(q, m, deg, box, Adjustments.None)
        );
        edits.Sample(
            e =>
            {
                var size = e.SizeOf(Size);
                using var made = Made(chart, e, Cut.Whole(size), size.Width);
                Assert.Equal((size.Width, size.Height), (made.Width, made.Height));
                var back = e.MapFrom(Size).Inverse();
                foreach (var (fx, fy) in new[] { (0.1, 0.1), (0.5, 0.5), (0.9, 0.2), (0.3, 0.8) })
                {
                    var (x, y) = ((int)(fx * made.Width), (int)(fy * made.Height));
                    var from = back.Of(x + 0.5, y + 0.5);
                    var pixel = made.Getpoint(x, y);
                    // The chart tells places to 1.6 px, and the eight bits of what comes out to as much again.
                    Assert.Equal(from.X, pixel[0] * Size.Width / 255.0, 3.2);
                    Assert.Equal(from.Y, pixel[1] * Size.Height / 255.0, 3.2);
                }
            },
            iter: 150,
            threads: 1
        );
    }

    [Fact]
    public void A_version_at_half_the_size_shows_the_same_part()
    {
        var name = "the-kite-hall.jpg";
        var original = Demo.Probe(name).Size;
        var edits = Edits.None.Turned().Straightened(4).CutTo(new(0.1, 0.2, 0.7, 0.6));
        var size = edits.SizeOf(original);
        using var large = Made(Demo.Path(name), edits, Cut.Whole(size), size.Width).ThumbnailImage(300);
        using var small = Made(Demo.Path(name), edits, Cut.Whole(size), 300);
        using var same =
            small.Crop(0, 0, 300, Math.Min(small.Height, large.Height))
            - large.Crop(0, 0, 300, Math.Min(small.Height, large.Height));
        Assert.InRange(same.Abs().Avg(), 0, 6);
    }

    [Fact]
    public void Light_and_colour_do_to_pixels_what_their_curves_say()
    {
        var grey = Path.Combine(_folder, "grey.png");
        using (var ramp = Image.Xyz(256, 8)[0].Cast(Enums.BandFormat.Uchar))
            ramp.Bandjoin(ramp, ramp).Copy(interpretation: Enums.Interpretation.Srgb).Pngsave(grey);
        var adjustments = Adjustments.Of(light: 30, contrast: 25, shadows: -20, warmth: 40);
        using var made = Made(grey, Edits.None.Adjusted(adjustments), new Cut(0, 0, 256, 8), 256);
        for (var tone = 0; tone < 256; tone += 15)
        {
            var (r, b) = (tone / 255.0, tone / 255.0);
            foreach (var (red, _, blue) in adjustments.Curves)
                (r, b) = (red.At(r), blue.At(b));
            var pixel = made.Getpoint(tone, 4);
            Assert.Equal(r * 255, pixel[0], 1.0);
            Assert.Equal(b * 255, pixel[2], 1.0);
        }
        using var without = Made(
            Demo.Path("two-lanterns.jpg"),
            Edits.None.Adjusted(Adjustments.Of(colour: -100)),
            new Cut(0, 0, 600, 400),
            300
        );
        Assert.InRange((without[0] - without[2]).Abs().Max(), 0, 3);
    }

    [Fact]
    public void Sharpening_sharpens_what_shows_through_stays_and_grey_pictures_can_be_warmed()
    {
        var soft = Demo.Probe("storm-kite-shaken.jpg");
        double EdgePx(int sharpen) =>
            Measure
                .Read(
                    Demo.Path("storm-kite-shaken.jpg"),
                    PictureFormat.Jpeg,
                    soft.Size,
                    Edits.None.Adjusted(Adjustments.Of(sharpen: sharpen))
                )
                .EdgePx;
        Assert.True(EdgePx(100) < EdgePx(0));
        var png = Demo.Probe("kite-cut-out.png").Size;
        using var made = Made(
            Demo.Path("kite-cut-out.png"),
            Edits.None.Turned().Adjusted(Adjustments.Of(light: 20, sharpen: 50)),
            new Cut(0, 0, png.Height, png.Width),
            300,
            OutputFormat.Png
        );
        Assert.True(made.HasAlpha() && made[3].Min() < 10 && made[3].Max() > 240);
        var one = Path.Combine(_folder, "one.png");
        using (var ramp = Image.Xyz(64, 64)[0].Cast(Enums.BandFormat.Uchar))
            ramp.Copy(interpretation: Enums.Interpretation.Bw).Pngsave(one);
        using var warm = Made(one, Edits.None.Adjusted(Adjustments.Of(warmth: 60)), new Cut(0, 0, 64, 64), 64);
        Assert.True(warm.Getpoint(32, 32)[0] > warm.Getpoint(32, 32)[2]);
    }

    [Fact]
    public void Evening_out_brings_a_picture_dragged_into_the_dark_back_towards_itself()
    {
        foreach (
            var name in new[] { "museum-from-the-path.jpg", "delta-over-the-dunes.jpg", "running-on-the-sand.jpg" }
        )
        {
            var size = Demo.Probe(name).Size;
            int LightOf(Edits edits)
            {
                var path = Path.Combine(_folder, name);
                using (var made = Made(Demo.Path(name), edits, Cut.Whole(size), 800))
                    made.Jpegsave(path);
                return EvenOut
                    .Of(Measure.Tones(path, PictureFormat.Jpeg, Probe.Read(path, PictureFormat.Jpeg).Size, Edits.None))
                    .Light;
            }
            var (asItIs, inTheDark) = (LightOf(Edits.None), LightOf(Edits.None.Adjusted(Adjustments.Of(light: -80))));
            Assert.True(inTheDark > asItIs + 15, $"{name}: {asItIs} as it is, {inTheDark} in the dark");
        }
    }

    /// <summary>Ten pictures, each blurred more and more: the measure falls at every step.</summary>
    [Fact]
    public void Softness_orders_a_series_of_blurs()
    {
        foreach (
            var name in new[]
            {
                "delta-over-the-dunes.jpg",
                "the-kite-hall.jpg",
                "first-flight-year-four.jpg",
                "silk-on-the-shelf.jpg",
                "bridle-ring.jpg",
                "box-kite.jpg",
                "skerry-light.jpg",
                "the-long-workshop.jpg",
                "lantern-kites-at-dusk.jpg",
                "laid-out-for-the-show.jpg",
            }
        )
        {
            var path = Path.Combine(_folder, "blurred.png");
            var series = new[] { 0, 0.8, 1.6, 3.2, 6.4 }
                .Select(sigma =>
                {
                    using (var image = Image.Thumbnail(Demo.Path(name), 600))
                    using (var blurred = sigma == 0 ? image.Copy() : image.Gaussblur(sigma))
                        blurred.Pngsave(path, compression: 1);
                    return Measure.Read(path, Probe.Read(path, PictureFormat.Png)).EdgePx;
                })
                .ToList();
            Demo.Say(
                $"{name, -32} "
                    + string.Join("  ", series.Select(s => s.ToString("0.0000", CultureInfo.InvariantCulture)))
            );
            Assert.Equal(series.Order(), series);
            Assert.True(series[^1] > 2 * series[1], name);
        }
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private Image Made(string source, Edits edits, Cut cut, int widthPx, OutputFormat format = OutputFormat.Png)
    {
        var path = Path.Combine(_folder, $"{Guid.NewGuid():N}.png");
        using var header = Image.NewFromFile(source);
        LadderMaker.Make(
            new(source, new(header.Width, header.Height), edits, cut, false),
            [new LadderStep(widthPx, format, 0, path)],
            new("", "")
        );
        return Image.NewFromFile(path);
    }
}
