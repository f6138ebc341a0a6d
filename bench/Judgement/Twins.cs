using Dekoro.Core.Twins;
using Dekoro.Imaging;
using NetVips;

namespace Dekoro.Bench;

/// <summary>Which of a folder of different pictures are called the same, and which changed copies are found.</summary>
internal static class Twins
{
    private static readonly (string Way, Func<Image, Image> Make)[] Ways =
    [
        ("25 %", i => i.Resize(0.25)),
        ("quality 40", i => i.Copy()),
        ("mirrored", i => i.FlipHor()),
        ("tinted", i => Toned(i, [1.1, 1.0, 0.85], 0)),
        ("brightened", i => Toned(i, [1.15, 1.15, 1.15], 12)),
        ("cut by 8 % at the right", i => i.Crop(0, 0, (int)(i.Width * 0.92), i.Height)),
        ("cut by 8 % at the top", i => i.Crop(0, (int)(i.Height * 0.08), i.Width, i.Height - (int)(i.Height * 0.08))),
        ("cut by 8 % of area all round", i =>
            i.Crop((int)(i.Width * .02), (int)(i.Height * .02), (int)(i.Width * 0.96), (int)(i.Height * 0.96))
        ),
        ("cut by 6 % left, 3 % below", i =>
            i.Crop((int)(i.Width * .06), 0, (int)(i.Width * 0.94), (int)(i.Height * 0.97))
        ),
    ];

    public static void Print(string folder)
    {
        var looks = Directory
            .GetFiles(folder)
            .Where(path => Path.GetExtension(path).Length > 0)
            .Order()
            .Select(path => (path, Look: LookOf(path)))
            .ToList();
        Console.WriteLine(
            $"say too little: {string.Join(", ", looks.Where(l => l.Look.Hashes is null).Select(l => Path.GetFileName(l.path)))}"
        );
        foreach (var a in looks)
        foreach (var b in looks.Where(b => string.CompareOrdinal(a.path, b.path) < 0))
        {
            var near = a.Look.Hashes is { } x && b.Look.Hashes is { } y && IsNear(x, y);
            var match = TwinComparison.Of(a.Look, b.Look);
            if (near || match is { AreTwins: true } || match?.Light > 0.9)
                Console.WriteLine(
                    $"{Path.GetFileName(a.path)} ~ {Path.GetFileName(b.path)} near {near} {Short(match)}"
                );
        }
        foreach (var (way, make) in Ways)
        {
            var found = 0;
            var near = 0;
            foreach (var one in looks)
            {
                var other = Changed(one.path, make, way == "quality 40" ? 40 : 90);
                var isNear = one.Look.Hashes is { } x && other.Hashes is { } y && IsNear(x, y);
                var match = TwinComparison.Of(one.Look, other);
                near += isNear ? 1 : 0;
                if (isNear && match is { AreTwins: true })
                    found++;
                Console.WriteLine($"   missed {Path.GetFileName(one.path)} near {isNear} {Short(match)}");
            }
            Console.WriteLine($"  found {way}: {found} of {looks.Count}; near {near}");
        }
    }

    static string Short(TwinMatch? m) =>
        m is null
            ? "none"
            : $"{m.AreTwins} light {m.Light:0.000} fine {m.Detail:0.000} steps {m.DetailSteps:0.0} opac {m.OpacityApart:0.00} {string.Join(" ", m.Channels.Select(c => $"g {c.Gain:0.00} c {c.Change:0} u {c.Unlike:0.0}"))} {m.InFirst.Width:0.00} {m.InSecond.Width:0.00} {m.IsMirrored}";

    private static Image Toned(Image image, double[] by, double plus) =>
        image.HasAlpha()
            ? image.Linear([.. by, 1], [plus, plus, plus, 0], uchar: true)
            : image.Linear(by, [plus, plus, plus], uchar: true);

    private static bool IsNear(LookHashes a, LookHashes b) =>
        a.Views.Any(v => v.Hash.IsNear(b.Whole)) || b.Views.Any(v => v.Hash.IsNear(a.Whole));

    private static Look Changed(string path, Func<Image, Image> make, int quality)
    {
        using var image = Image.Thumbnail(path, 1200, height: 100_000);
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

    private static Look LookOf(string path)
    {
        using var file = File.OpenRead(path);
        var format = Probe.FormatOf(file);
        return Measure.LookOf(path, format, Probe.Read(path, format).Size);
    }
}
