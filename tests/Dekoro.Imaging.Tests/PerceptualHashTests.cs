using CsCheck;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using NetVips;

namespace Dekoro.Imaging.Tests;

public sealed class PerceptualHashTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-twins").FullName;

    [Fact]
    public void Twins_are_found_across_scaling_encoding_and_mirroring_and_strangers_are_not()
    {
        var names = Directory
            .GetFiles(Path.GetDirectoryName(Demo.Path("box-kite.jpg"))!)
            .Select(f => Path.GetFileName(f)!)
            .Where(n => n.EndsWith(".jpg", StringComparison.Ordinal) || n.EndsWith(".webp", StringComparison.Ordinal))
            .Order()
            .ToList();
        var looks = names.Select(n => (Name: n, Look: LookOf(Demo.Path(n)))).ToList();
        var (asked, found) = (0, 0);
        foreach (var (name, look) in looks)
        {
            foreach (
                var (way, make) in new (string, Func<Image, Image>)[]
                {
                    ("a quarter of the size", i => i.Resize(0.25)),
                    ("quality 40", i => i.Copy()),
                    ("mirrored", i => i.FlipHor()),
                    ("all three", i => i.Resize(0.25).FlipHor()),
                }
            )
            {
                var path = Path.Combine(_folder, "changed.jpg");
                using (var image = Image.Thumbnail(Demo.Path(name), 800))
                using (var changed = make(image))
                using (var opaque = changed.HasAlpha() ? changed.Flatten() : changed.Copy())
                    opaque.Jpegsave(path, q: way is "quality 40" or "all three" ? 40 : 90);
                var other = LookOf(path);
                asked++;
                if (PerceptualHash.AreTwins(look.Hash, look.Shape, other.Hash, other.Shape))
                    found++;
                else
                    Demo.Say($"missed: {name}, {way}, {other.Hash?.ApartFrom(look.Hash ?? default)} bits apart");
            }
        }
        var pairs =
            from a in looks
            from b in looks
            where
                string.CompareOrdinal(a.Name, b.Name) < 0
                && PerceptualHash.AreTwins(a.Look.Hash, a.Look.Shape, b.Look.Hash, b.Look.Shape)
            select $"{a.Name} ~ {b.Name}";
        var alarms = pairs.Where(p => !p.Contains("IMG_2291", StringComparison.Ordinal)).ToList();
        Demo.Say(
            $"Demo: {found} of {asked} changed copies found; {pairs.Count()} pairs called twins of "
                + $"{looks.Count * (looks.Count - 1) / 2}, {alarms.Count} of them not the same file: "
                + $"{string.Join("; ", alarms)}"
        );
        Assert.Contains(pairs, p => p == "IMG_2291.jpg ~ storm-kite-from-ana.jpg");
        Assert.True(found >= 0.97 * asked, $"{found} of {asked}");
        Assert.True(alarms.Count <= 3, string.Join("; ", alarms));
    }

    [Fact]
    public void Generated_pictures_are_told_apart()
    {
        // Soft clouds: what is hardest for a measure that looks at eight rows only.
        var random = new Random(7);
        var looks = Enumerable
            .Range(1, 120)
            .Select(seed =>
            {
                var path = Path.Combine(_folder, $"{seed}.png");
                var tones = new byte[24 * 16];
                random.NextBytes(tones);
                using (var coarse = Image.NewFromMemoryCopy(tones, 24, 16, 1, Enums.BandFormat.Uchar))
                using (var soft = coarse.Resize(10, kernel: Enums.Kernel.Cubic))
                    soft.Pngsave(path);
                return LookOf(path);
            })
            .ToList();
        var alarms = (
            from i in Enumerable.Range(0, looks.Count)
            from j in Enumerable.Range(i + 1, looks.Count - i - 1)
            where PerceptualHash.AreTwins(looks[i].Hash, looks[i].Shape, looks[j].Hash, looks[j].Shape)
            select 1
        ).Count();
        Demo.Say($"Generated: {alarms} false alarms in {looks.Count * (looks.Count - 1) / 2} pairs");
        Assert.True(alarms <= 2);
    }

    [Fact]
    public void A_look_is_as_far_from_another_as_the_other_from_it_and_mirroring_costs_nothing() =>
        Gen.Select(Gen.Double[0, 255].Array[72], Gen.Double[0, 255].Array[72])
            .Sample(
                (a, b) =>
                {
                    var (x, y) = (PerceptualHash.Of(a), PerceptualHash.Of(b));
                    Assert.Equal(x.ApartFrom(y), y.ApartFrom(x));
                    Assert.Equal(0, x.ApartFrom(x));
                    double[] mirrored = [.. Enumerable.Range(0, 72).Select(i => a[i / 9 * 9 + 8 - i % 9])];
                    Assert.Equal(0, x.ApartFrom(PerceptualHash.Of(mirrored)));
                    Assert.False(PerceptualHash.AreTwins(x, AspectRatio.Of(3, 2), x, AspectRatio.Of(16, 9)));
                }
            );

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private static (PerceptualHash? Hash, AspectRatio Shape) LookOf(string path)
    {
        using var file = File.OpenRead(path);
        var probed = Probe.Read(path, Probe.FormatOf(file));
        return (Measure.LookOf(path, probed.Format, probed.Size), probed.Size.Shape);
    }
}
