using System.Globalization;
using NetVips;

namespace Dekoro.Bench;

/// <summary>JPEGs of 12 megapixels with the grain of a photograph, none like another.</summary>
internal static class Photographs
{
    private const int Width = 4000,
        Height = 3000;

    public static void Write(string folder, int count)
    {
        Directory.CreateDirectory(folder);
        Parallel.For(0, count, i =>
        {
            var path = Path.Combine(folder, string.Create(CultureInfo.InvariantCulture, $"photograph {i}.jpg"));
            if (File.Exists(path))
                return;
            using var hills = Image.Perlin(Width, Height, cellSize: 300 + i * 7 % 400, uchar: true, seed: i);
            using var grain = Image.Gaussnoise(Width, Height, sigma: 6, mean: 0, seed: i);
            using var bands = Enumerable
                .Range(0, 3)
                .Select(b => hills * (0.5 + (i + b * 5) % 7 * 0.08) + 20 * b + grain)
                .Aggregate((a, b) => a.Bandjoin(b));
            using var photo = bands.Cast(Enums.BandFormat.Uchar).Copy(interpretation: Enums.Interpretation.Srgb);
            photo.Jpegsave(path, q: 90);
        });
    }
}
