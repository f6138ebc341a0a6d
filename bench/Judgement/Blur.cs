using Dekoro.Core.Editing;
using Dekoro.Core.Media;
using Dekoro.Imaging;
using NetVips;

namespace Dekoro.Bench;

/// <summary>Whether pictures blurred on purpose are told from others, and how many of their px count.</summary>
internal static class Blur
{
    private static readonly double[] Sigmas = [0, 1, 1.5, 2, 3, 4, 6, 8];

    public static void Print(IReadOnlyList<Judged> drawn)
    {
        var series = drawn.Select(Series).Where(s => s[0] > 0).ToList();
        Console.WriteLine("Width of the sharpest edges by the sigma of the blur, median and range:");
        for (var i = 0; i < Sigmas.Length; i++)
        {
            var at = series.Select(s => s[i]).Order().ToList();
            var errors = series.Select(s => Math.Abs(Math.Log(Left(s[i]) / Left(Built(s[0], Sigmas[i]))))).Order();
            Console.WriteLine(
                $"  {Sigmas[i], 4}: {at[at.Count / 2], 5:0.0}  {at[0], 5:0.0} to {at[^1], 5:0.0}; px that count are "
                    + $"within {Math.Exp(errors.ElementAt(at.Count / 2)) - 1:P0} of what was built (median)"
            );
        }
        Console.WriteLine($"  grows with sigma in {series.Count(s => s.SequenceEqual(s.Order()))} of {series.Count}");
        var (sharp, blurred) = (series.Select(s => s[0]), series.SelectMany(s => s[4..]));
        var (wrong, right, all) = (sharp.Count(IsBlurred), blurred.Count(IsBlurred), blurred.Count());
        Console.WriteLine(
            $"Blurred from sigma 3 on: recall {(double)right / all:P1}; sharp ones called blurred {wrong} of "
                + $"{series.Count}; precision {(double)right / (right + wrong):P1}"
        );
    }

    private static bool IsBlurred(double edgePx) => edgePx >= PictureFacts.BlurredFromEdgePx;

    private static double Left(double edgePx) => Math.Min(1, PictureFacts.FocusedEdgePx / edgePx);

    /// <summary>A step of a width that is blurred by a Gaussian.</summary>
    private static double Built(double edgePx, double sigma) =>
        Math.Sqrt(edgePx * edgePx + 2 * Math.PI * sigma * sigma);

    private static double[] Series(Judged one)
    {
        var copy = Path.Combine(Path.GetTempPath(), $"dekoro-blur-{Guid.NewGuid():N}.jpg");
        var widths = Sigmas
            .Select(sigma =>
            {
                using (var image = Image.NewFromFile(one.Path))
                using (var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy())
                using (var blurred = sigma > 0 ? opaque.Gaussblur(sigma) : opaque.Copy())
                    blurred.Jpegsave(copy, q: 92);
                return Measure.EdgePxOf(
                    copy,
                    PictureFormat.Jpeg,
                    Probe.Read(copy, PictureFormat.Jpeg).Size,
                    Edits.None
                );
            })
            .ToArray();
        File.Delete(copy);
        return widths;
    }
}
