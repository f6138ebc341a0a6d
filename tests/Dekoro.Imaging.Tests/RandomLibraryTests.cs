using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Twins;
using NetVips;

namespace Dekoro.Imaging.Tests;

/// <summary>
/// The library's figures over a library that is drawn from a number: DEKORO_SEED, or the day this was written.
/// </summary>
public sealed class RandomLibraryTests : IDisposable
{
    private const int Pictures = 16;
    private static readonly int Seed = int.TryParse(Environment.GetEnvironmentVariable("DEKORO_SEED"), out var seed)
        ? seed
        : 20261125;
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-random").FullName;

    [Fact]
    public void Its_twins_are_found_blur_is_put_in_order_bytes_are_foretold_and_colours_are_named()
    {
        var random = new Random(Seed);
        var originals = Enumerable.Range(0, Pictures).Select(i => Drawn($"{i}", random)).ToList();
        var (asked, found, alarms) = (0, 0, 0);
        foreach (var one in originals)
        {
            foreach (
                var (way, change, q) in new (string, Func<Image, Image>, int)[]
                {
                    ("quarter", i => i.Resize(0.25), 90),
                    ("quality 40", i => i.Copy(), 40),
                    ("mirrored", i => i.FlipHor(), 90),
                }
            )
            {
                using var image = Image.NewFromFile(one.Path);
                using var changed = change(image);
                changed.Jpegsave(Path.Combine(_folder, "changed.jpg"), q: q);
                asked++;
                if (Look.AreTwins(LookOf(one), LookOf(Path.Combine(_folder, "changed.jpg"))))
                    found++;
            }
        }
        for (var i = 0; i < originals.Count; i++)
        for (var j = i + 1; j < originals.Count; j++)
            if (Look.AreTwins(LookOf(originals[i]), LookOf(originals[j])))
                alarms++;

        var inOrder = originals.Count(one =>
        {
            using var image = Image.NewFromFile(one.Path);
            var series = new[] { 0.8, 1.6, 3.2 }
                .Select(sigma =>
                {
                    using var blurred = image.Gaussblur(sigma);
                    blurred.Jpegsave(Path.Combine(_folder, "blurred.jpg"), q: 92);
                    return Read(Path.Combine(_folder, "blurred.jpg")).Measured.EdgePx;
                })
                .Prepend(one.Measured.EdgePx)
                .ToList();
            return series.Zip(series.Skip(1)).All(s => s.First <= s.Second);
        });

        // Bytes of a width that nothing was fitted to, against the file that is really made.
        var errors = originals
            .Select(one =>
            {
                using var image = Image.NewFromFile(one.Path);
                using var small = image.Resize(600.0 / image.Width);
                return Math.Abs(
                    Math.Log(
                        one.Measured.Bytes.At(small.Width)
                            / small
                                .WebpsaveBuffer(
                                    q: RenditionSpec.QualityOf(Core.Delivery.OutputFormat.WebP),
                                    effort: 4,
                                    keep: Enums.ForeignKeep.None
                                )
                                .Length
                    )
                );
            })
            .Order()
            .ToList();
        var (median, worst) = (Math.Exp(errors[errors.Count / 2]) - 1, Math.Exp(errors[^1]) - 1);
        var named = originals
            .SelectMany(o => o.Measured.Colours)
            .GroupBy(c => c)
            .OrderByDescending(g => g.Count())
            .Select(g => $"{g.Key} {g.Count()}");
        Demo.Say(
            $"Random library {Seed}, {Pictures} pictures: {found} of {asked} changed copies found, {alarms} "
                + $"false alarms in {Pictures * (Pictures - 1) / 2} pairs; blur series in order {inOrder} of "
                + $"{Pictures}; bytes at 600 px off by {median:P0} on the median, {worst:P0} at worst; colours named "
                + string.Join(", ", named)
        );
        Assert.True(found >= 0.95 * asked, $"{found} of {asked}");
        Assert.True(alarms <= 2, $"{alarms} false alarms");
        Assert.Equal(Pictures, inOrder);
        Assert.True(median < 0.15, $"bytes off by {median:P0} on the median");
        Assert.All(originals, o => Assert.NotEmpty(o.Measured.Colours));
    }

    private static Look LookOf((string Path, Measured Measured, AspectRatio Shape) one) => one.Measured.Look;

    /// <summary>Its look alone: nothing else of a copy is asked.</summary>
    private static Look LookOf(string path)
    {
        using var file = File.OpenRead(path);
        var probed = Probe.Read(path, Probe.FormatOf(file));
        return Measure.LookOf(path, probed.Format, probed.Size);
    }

    /// <summary>Sky, hills and a few shapes, in colours and a shape of their own.</summary>
    private (string Path, Measured Measured, AspectRatio Shape) Drawn(string name, Random random)
    {
        var (w, h) = (random.Next(900, 1600), random.Next(600, 1200));
        string Colour() => $"hsl({random.Next(360)} {random.Next(30, 90)}% {random.Next(25, 80)}%)";
        var shapes = string.Concat(
            Enumerable
                .Range(0, random.Next(6, 16))
                .Select(_ =>
                    $"<path d='M{random.Next(w)} {random.Next(h)}l{random.Next(-300, 300)} "
                    + $"{random.Next(-300, 300)} {random.Next(-300, 300)} {random.Next(-300, 300)}z' "
                    + $"fill='{Colour()}'/>"
                )
        );
        var svg =
            $"<svg xmlns='http://www.w3.org/2000/svg' width='{w}' height='{h}'><rect width='100%' "
            + $"height='100%' fill='{Colour()}'/><path d='M0 {h * 0.7}Q{w / 2} {random.Next(h)} {w} "
            + $"{h * 0.6}V{h}H0z' fill='{Colour()}'/>{shapes}</svg>";
        using var drawn = Image.NewFromBuffer(System.Text.Encoding.UTF8.GetBytes(svg)).Flatten();
        using var grain = Image.Gaussnoise(w, h, sigma: 2, mean: 0, seed: random.Next());
        using var photo = (drawn + grain).Cast(Enums.BandFormat.Uchar).Copy(interpretation: Enums.Interpretation.Srgb);
        var path = Path.Combine(_folder, name + ".jpg");
        photo.Jpegsave(path, q: 92);
        return Read(path);
    }

    private static (string Path, Measured Measured, AspectRatio Shape) Read(string path)
    {
        using var file = File.OpenRead(path);
        var probed = Probe.Read(path, Probe.FormatOf(file));
        return (path, Measure.Read(path, probed), probed.Size.Shape);
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);
}
