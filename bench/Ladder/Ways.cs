using Dekoro.Core.Delivery;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Imaging;
using NetVips;

namespace Dekoro.Bench;

/// <summary>Two ways to the same twelve files.</summary>
internal static class Ways
{
    private const int Width = 5400,
        Height = 3600;
    private static readonly int[] WidthsPx = [320, 640, 960, 1280, 1920, 2560];
    private static readonly OutputFormat[] Formats = [OutputFormat.Jpeg, OutputFormat.WebP];

    public static double Megapixels => Width * (double)Height / 1e6;

    /// <summary>
    /// A scene with the grain of a photograph, so that decoding and encoding cost what they cost in earnest.
    /// </summary>
    public static string Draw(string folder, bool progressive)
    {
        Vips.EnsureReady();
        var path = Path.Combine(folder, progressive ? "progressive.jpg" : "baseline.jpg");
        using var waves =
            (Image.Perlin(Width, Height, cellSize: 400) * 80) + (Image.Perlin(Width, Height, cellSize: 40) * 30) + 128;
        using var rgb = waves.Bandjoin(waves.Rot180(), waves.Flip(Enums.Direction.Horizontal));
        using var grained = (rgb + Image.Gaussnoise(Width, Height, sigma: 6))
            .Cast(Enums.BandFormat.Uchar)
            .Copy(interpretation: Enums.Interpretation.Srgb);
        grained.Jpegsave(path, q: 90, interlace: progressive);
        return path;
    }

    public static void Ours(string source, string folder) =>
        LadderMaker.Make(
            new(
                source,
                new PixelSize(Width, Height),
                Dekoro.Core.Editing.Edits.None,
                new Cut(0, 0, Width, Height),
                false
            ),
            [
                .. from format in Formats
                from width in WidthsPx
                select new LadderStep(width, format, RenditionSpec.QualityOf(format), PathOf(folder, width, format)),
            ],
            new("", "")
        );

    public static void OneCallEach(string source, string folder)
    {
        Vips.EnsureReady();
        foreach (var format in Formats)
        {
            foreach (var width in WidthsPx)
            {
                using var small = Image.Thumbnail(source, width, height: 10_000_000, size: Enums.Size.Down);
                if (format == OutputFormat.Jpeg)
                    small.Jpegsave(
                        PathOf(folder, width, format),
                        q: RenditionSpec.QualityOf(format),
                        optimizeCoding: true,
                        interlace: true
                    );
                else
                    small.Webpsave(PathOf(folder, width, format), q: RenditionSpec.QualityOf(format));
            }
        }
    }

    private static string PathOf(string folder, int width, OutputFormat format) =>
        Path.Combine(folder, $"{width}.{(format == OutputFormat.Jpeg ? "jpg" : "webp")}");
}
