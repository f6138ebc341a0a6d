using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using NetVips;

namespace Dekoro.Imaging.Tests;

/// <summary>What is suggested as the keep area of pictures whose subject was drawn there.</summary>
public sealed class StandingOutTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-standing-out").FullName;

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    [Fact]
    public void A_subject_is_found_wherever_it_stands_and_its_box_holds_it_and_little_else()
    {
        foreach (var (x, y) in new[] { (0.25, 0.3), (0.5, 0.5), (0.75, 0.35), (0.3, 0.7), (0.8, 0.75) })
        {
            using var ground = Ground(900, 600);
            using var drawn = ground.Mutate(i => i.DrawCircle([220, 60, 40], (int)(900 * x), (int)(600 * y), 60, true));
            var keep = Suggested(drawn)!.Value;
            Assert.InRange(x, keep.X, keep.X + keep.Width);
            Assert.InRange(y, keep.Y, keep.Y + keep.Height);
            Assert.InRange(keep.Width * keep.Height, 0.01, 0.1);
        }
    }

    [Theory]
    [InlineData(0.1, 0.6)]
    [InlineData(0.65, 0.55)]
    public void The_sharpest_place_of_a_blurred_photograph_is_where_it_was_left_sharp(double x, double y)
    {
        var path = Path.Combine(_folder, "shallow.jpg");
        using (var image = Image.Thumbnail(Demo.Path("marram-grass.jpg"), 1600))
        using (var blurred = image.Gaussblur(6))
        using (
            var part = image.Crop((int)(x * image.Width), (int)(y * image.Height), image.Width / 4, image.Height / 4)
        )
        using (var shallow = blurred.Insert(part, (int)(x * image.Width), (int)(y * image.Height)))
            shallow.Jpegsave(path, q: 92);
        var size = Probe.Read(path, PictureFormat.Jpeg).Size;
        var (box, edgePx) = Measure.SharpestOf(path, PictureFormat.Jpeg, size, Core.Editing.Edits.None)!.Value;
        // The seam of what was laid in is sharp too.
        var shared =
            Math.Max(0, Math.Min(box.X + box.Width, x + 0.25) - Math.Max(box.X, x))
            * Math.Max(0, Math.Min(box.Y + box.Height, y + 0.25) - Math.Max(box.Y, y));
        Assert.True(shared > 0.25 * box.Width * box.Height, $"{box}, {edgePx:0.0} px");
        Assert.InRange(edgePx, 1, PictureFacts.BlurredFromEdgePx);
    }

    [Fact]
    public void Of_a_subject_wider_than_half_the_end_that_stands_out_most_is_kept()
    {
        using var ground = Ground(900, 600);
        using var drawn = ground.Mutate(i =>
        {
            i.DrawRect([220, 60, 40], 90, 290, 560, 60, fill: true);
            i.DrawCircle([220, 60, 40], 700, 320, 120, fill: true);
        });
        var keep = Suggested(drawn)!.Value;
        Assert.InRange(keep.Width, 0.5, 0.65);
        Assert.InRange(700.0 / 900, keep.X + 0.05, keep.X + keep.Width - 0.05);
    }

    [Fact]
    public void Edges_of_a_photograph_are_as_wide_in_colour_as_in_grey()
    {
        foreach (var name in new[] { "marram-grass.jpg", "silk-on-the-shelf.jpg", "box-kite.jpg" })
        {
            using var image = Image.NewFromFile(Demo.Path(name));
            using var grey = image.Colourspace(Enums.Interpretation.Bw);
            var path = Path.Combine(_folder, "grey.png");
            grey.Pngsave(path, compression: 1);
            var size = new PixelSize(image.Width, image.Height);
            var colour = EdgePxOf(Demo.Path(name), PictureFormat.Jpeg);
            Assert.Equal(colour, EdgePxOf(path, PictureFormat.Png), 0.15 * colour);

            double EdgePxOf(string of, PictureFormat format) =>
                Measure.EdgePxOf(of, format, size, Core.Editing.Edits.None);
        }
    }

    [Fact]
    public void Where_nothing_stands_out_nothing_is_suggested()
    {
        using var ground = Ground(900, 600);
        Assert.Null(Suggested(ground));
    }

    [Fact]
    public void The_same_is_suggested_of_a_picture_at_any_size()
    {
        using var ground = Ground(1800, 1200);
        using var drawn = ground.Mutate(i => i.DrawCircle([220, 60, 40], 500, 700, 130, true));
        using var small = drawn.Resize(0.4);
        var (large, less) = (Suggested(drawn)!.Value, Suggested(small)!.Value);
        Assert.Equal(large.X, less.X, 0.03);
        Assert.Equal(large.Y, less.Y, 0.03);
        Assert.Equal(large.Width, less.Width, 0.03);
        Assert.Equal(large.Height, less.Height, 0.03);
    }

    /// <summary>Sky that grows lighter, with a little grain.</summary>
    private static Image Ground(int width, int height)
    {
        using var lighter = Image.Xyz(width, height)[1] * (60.0 / height);
        using var grain = Image.Gaussnoise(width, height, sigma: 2, mean: 0, seed: 7);
        using var light = lighter + grain;
        return ((light + 90).Bandjoin(light + 120, light + 150))
            .Cast(Enums.BandFormat.Uchar)
            .Copy(interpretation: Enums.Interpretation.Srgb);
    }

    private FocalRegion? Suggested(Image image)
    {
        var path = Path.Combine(_folder, "drawn.png");
        image.Pngsave(path, compression: 1);
        return Measure.Read(path, Probe.Read(path, PictureFormat.Png)).KeepGuess;
    }
}
