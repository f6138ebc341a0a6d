using Dekoro.Core.Twins;
using Dekoro.Imaging;
using NetVips;

namespace Dekoro.Bench;

/// <summary>Which of a folder of different pictures are called the same, and which changed copies are found.</summary>
internal static class Twins
{
    private const int WidthPx = 1200,
        Quality = 90,
        LowQuality = 40;

    private static readonly (string Way, Func<Image, Image> Make)[] Ways =
    [
        ("25 %", i => i.Resize(0.25)),
        ("quality 40", i => i.Copy()),
        ("mirrored", i => i.FlipHor()),
        ("tinted", i => Toned(i, [1.1, 1.0, 0.85], 0)),
        ("brightened", i => Toned(i, [1.15, 1.15, 1.15], 12)),
        ("cut by 8 % at the right", i => Without(i, 0, 0, 8, 0)),
        ("cut by 8 % at the top", i => Without(i, 0, 8, 0, 0)),
        ("cut all round", i => Without(i, 2, 2, 2, 2)),
        ("cut by 6 % at the left, 3 % below", i => Without(i, 6, 0, 0, 3)),
    ];

    public static void Print(string folder)
    {
        var looks = Directory
            .GetFiles(folder)
            .Where(path => Path.GetExtension(path) is ".jpg" or ".png")
            .Order(StringComparer.Ordinal)
            .Select(path => (Path: path, Look: LookOf(path)))
            .ToList();
        var pairs = looks
            .SelectMany((a, i) => looks.Skip(i + 1).Where(b => Look.AreTwins(a.Look, b.Look)).Select(b => (a, b)))
            .Select(p => $"{Path.GetFileName(p.a.Path)} ~ {Path.GetFileName(p.b.Path)}")
            .ToList();
        Console.WriteLine(
            $"Called the same among {looks.Count} pictures: {pairs.Count} pairs {string.Join("; ", pairs)}; "
                + $"say too little: {looks.Count(l => l.Look.Hashes is null)}"
        );
        var all = 0;
        foreach (var (way, make) in Ways)
        {
            var quality = way == "quality 40" ? LowQuality : Quality;
            var missed = looks.Where(one => !Look.AreTwins(one.Look, Changed(one.Path, make, quality))).ToList();
            all += looks.Count - missed.Count;
            Console.WriteLine(
                $"  found {way}: {looks.Count - missed.Count} of {looks.Count}; missed "
                    + string.Join(", ", missed.Select(m => Path.GetFileName(m.Path)))
            );
        }
        var recall = (double)all / (Ways.Length * looks.Count);
        Console.WriteLine(
            $"Twins: recall {recall:P1} (wanted 95 %), precision {(double)all / (all + pairs.Count):P1} (wanted 98 %)"
        );
    }

    private static Look Changed(string path, Func<Image, Image> make, int quality)
    {
        using var image = Image.Thumbnail(path, WidthPx, height: 100_000);
        using var colours = image.Colourspace(Enums.Interpretation.Srgb);
        // What can be seen through stays so.
        var ending = colours.HasAlpha() ? "webp" : "jpg";
        var copy = Path.Combine(Path.GetTempPath(), $"dekoro-twin-{Guid.NewGuid():N}.{ending}");
        using (var changed = make(colours))
            changed.WriteToFile(copy, new VOption { { "Q", quality } });
        var look = LookOf(copy);
        File.Delete(copy);
        return look;
    }

    private static Image Toned(Image image, double[] by, double plus) =>
        image.HasAlpha()
            ? image.Linear([.. by, 1], [plus, plus, plus, 0], uchar: true)
            : image.Linear(by, [plus, plus, plus], uchar: true);

    /// <summary>Percents of its sides.</summary>
    private static Image Without(Image i, int left, int top, int right, int bottom) =>
        i.Crop(
            i.Width * left / 100,
            i.Height * top / 100,
            i.Width * (100 - left - right) / 100,
            i.Height * (100 - top - bottom) / 100
        );

    private static Look LookOf(string path)
    {
        using var file = File.OpenRead(path);
        var format = Probe.FormatOf(file);
        return Measure.LookOf(path, format, Probe.Read(path, format).Size);
    }
}
