using System.Collections.Immutable;

namespace Dekoro.Core.Editing;

/// <summary>
/// One step that evens a picture out by itself: its middle tone towards the middle, its range towards the whole scale,
/// its cast towards grey; each part of the way only, so that dusk stays dusk, and the cast least of all, so that a blue
/// sky stays one.
/// </summary>
public static class EvenOut
{
    private const double MiddleTone = 0.46,
        FullRange = 0.86,
        PartOfTheWay = 0.6,
        PartOfTheCast = 0.3;
    private const int MaxLight = 60,
        MaxContrast = 50,
        MaxWarmth = 15;

    /// <summary>Where to put the scales so that the tones fill the range.</summary>
    public static Adjustments Of(Histogram tones)
    {
        var all = tones.All;
        var middle = Math.Clamp(At(all, 0.5), 0.02, 0.98);
        var light = (int)
            Math.Round(
                Math.Clamp(
                    -100 * Math.Log2(Math.Log(middle + PartOfTheWay * (MiddleTone - middle)) / Math.Log(middle)),
                    -MaxLight,
                    MaxLight
                )
            );
        var curve = ToneCurve.Light(light);
        var range = curve.At(At(all, 0.98)) - curve.At(At(all, 0.02));
        var contrast = (int)Math.Round(Math.Clamp((FullRange - range) * 100 * PartOfTheWay, 0, MaxContrast));
        var (red, blue) = (Mean(tones.Red), Mean(tones.Blue));
        // The curves' exponents at which both means meet, half of it for each.
        var warmth =
            red <= 0.02 || blue <= 0.02
                ? 0
                : (int)
                    Math.Round(
                        Math.Clamp(
                            125
                                * Math.Log2(Math.Log(Math.Min(red, 0.98)) / Math.Log(Math.Min(blue, 0.98)))
                                * PartOfTheCast,
                            -MaxWarmth,
                            MaxWarmth
                        )
                    );
        return Adjustments.Of(light, contrast, warmth: warmth);
    }

    /// <summary>The tone below which a share of the counts lies.</summary>
    private static double At(ImmutableArray<long> counts, double share)
    {
        var (left, wanted) = (0L, share * counts.Sum());
        for (var i = 0; i < counts.Length; i++)
        {
            left += counts[i];
            if (left >= wanted)
                return i / 255.0;
        }
        return 1;
    }

    private static double Mean(ImmutableArray<long> counts) =>
        counts.Select((n, i) => n * (i / 255.0)).Sum() / Math.Max(1, counts.Sum());
}
