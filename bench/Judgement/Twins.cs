using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
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
        ("tinted", i => (i * new[] { 1.1, 1.0, 0.85 }).Cast(Enums.BandFormat.Uchar)),
        ("brightened", i => (i * 1.15 + 12).Cast(Enums.BandFormat.Uchar)),
        ("cut by 8 %", i => i.Crop(0, 0, (int)(i.Width * 0.92), i.Height)),
    ];

    public static void Print(string folder)
    {
        var looks = Directory
            .GetFiles(folder)
            .Where(path => Path.GetExtension(path).Length > 0)
            .Order()
            .Select(path => (path, Look: LookOf(path)))
            .ToList();
        var pairs = (
            from a in looks
            from b in looks
            where string.CompareOrdinal(a.path, b.path) < 0 && AreTwins(a.Look, b.Look)
            select $"{Path.GetFileName(a.path)} ~ {Path.GetFileName(b.path)}"
        ).ToList();
        var before = (
            from a in looks
            from b in looks
            where
                string.CompareOrdinal(a.path, b.path) < 0
                && a.Look.Before.ApartFrom(b.Look.Before) <= PerceptualHash.MaxApart
                && Math.Abs(Math.Log(a.Look.Shape.Value / b.Look.Shape.Value)) <= Math.Log(1.03)
            select 1
        ).Count();
        Console.WriteLine(
            $"Called the same among {looks.Count} pictures: {pairs.Count} pairs (by one hash {before}): "
                + $"{string.Join("; ", pairs)}; say too little: {looks.Count(l => l.Look.Hash is null)}"
        );
        foreach (var (way, make) in Ways)
        {
            var found = looks.Count(one => AreTwins(one.Look, Changed(one.path, make, way == "quality 40" ? 40 : 90)));
            Console.WriteLine($"  found {way}: {found} of {looks.Count}");
        }
    }

    private static bool AreTwins(
        (PerceptualHash? Hash, PerceptualHash Before, AspectRatio Shape) a,
        (PerceptualHash? Hash, PerceptualHash Before, AspectRatio Shape) b
    ) => PerceptualHash.AreTwins(a.Hash, a.Shape, b.Hash, b.Shape);

    private static (PerceptualHash? Hash, PerceptualHash Before, AspectRatio Shape) Changed(
        string path,
        Func<Image, Image> make,
        int quality
    )
    {
        var copy = Path.Combine(Path.GetTempPath(), $"dekoro-twin-{Guid.NewGuid():N}.jpg");
        using (var image = Image.Thumbnail(path, 1200, height: 100_000))
        using (var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy())
        using (var colours = opaque.Colourspace(Enums.Interpretation.Srgb))
        using (var changed = make(colours))
            changed.Jpegsave(copy, q: quality);
        var look = LookOf(copy);
        File.Delete(copy);
        return look;
    }

    private static (PerceptualHash? Hash, PerceptualHash Before, AspectRatio Shape) LookOf(string path)
    {
        PictureFormat format;
        using (var file = File.OpenRead(path))
            format = Probe.FormatOf(file);
        var size = Probe.Read(path, format).Size;
        using var image = Image.Thumbnail(path, 1024, height: 100_000);
        using var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy();
        using var grey = opaque.Colourspace(Enums.Interpretation.Bw).Cast(Enums.BandFormat.Float);
        using var grid = grey.ThumbnailImage(9, height: 8, size: Enums.Size.Force);
        using var values = grid[0].Cast(Enums.BandFormat.Double);
        return (Measure.LookOf(path, format, size), PerceptualHash.Of(values.WriteToMemory<double>()), size.Shape);
    }
}
