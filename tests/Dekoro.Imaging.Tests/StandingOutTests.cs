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
