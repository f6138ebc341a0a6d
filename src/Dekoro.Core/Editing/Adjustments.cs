using System.Collections.Immutable;

namespace Dekoro.Core.Editing;

/// <summary>How a picture's light and colour are changed, each from −100 to 100; 0 leaves it.</summary>
public sealed record Adjustments
{
    /// <summary>Scales go from minus to plus this.</summary>
    public const int Max = 100;

    /// <summary>All scales in the middle.</summary>
    public static Adjustments None { get; } = new();

    /// <summary>Darker to lighter.</summary>
    public int Light { get; private init; }

    /// <summary>Less to more contrast.</summary>
    public int Contrast { get; private init; }

    /// <summary>Darker to lighter shadows.</summary>
    public int Shadows { get; private init; }

    /// <summary>Less to more colour.</summary>
    public int Colour { get; private init; }

    /// <summary>Colder to warmer.</summary>
    public int Warmth { get; private init; }

    /// <summary>0 to 100.</summary>
    public int Sharpen { get; private init; }

    /// <summary>Whether nothing is changed.</summary>
    public bool IsNone => this == None;

    /// <exception cref="ArgumentOutOfRangeException">A value beyond its scale.</exception>
    public static Adjustments Of(
        int light = 0,
        int contrast = 0,
        int shadows = 0,
        int colour = 0,
        int warmth = 0,
        int sharpen = 0
    )
    {
        foreach (var value in new[] { light, contrast, shadows, colour, warmth })
            if (Math.Abs(value) > Max)
                throw new ArgumentOutOfRangeException(
                    nameof(light),
                    value,
                    $"An adjustment goes from −{Max} to {Max}."
                );
        if (sharpen is < 0 or > Max)
            throw new ArgumentOutOfRangeException(nameof(sharpen), sharpen, $"Sharpening goes from 0 to {Max}.");
        return new()
        {
            Light = light,
            Contrast = contrast,
            Shadows = shadows,
            Colour = colour,
            Warmth = warmth,
            Sharpen = sharpen,
        };
    }

    /// <summary>
    /// The curves of red, green and blue, applied one after the other: light, contrast, shadows, warmth.
    /// </summary>
    public ImmutableArray<(ToneCurve Red, ToneCurve Green, ToneCurve Blue)> Curves
    {
        get
        {
            var curves = ImmutableArray.CreateBuilder<(ToneCurve, ToneCurve, ToneCurve)>();
            foreach (
                var same in new[] { ToneCurve.Light(Light), ToneCurve.Contrast(Contrast), ToneCurve.Shadows(Shadows) }
            )
                curves.Add((same, same, same));
            curves.Add((ToneCurve.Warmth(Warmth), ToneCurve.Straight, ToneCurve.Warmth(-Warmth)));
            return curves.ToImmutable();
        }
    }

    /// <summary>
    /// What the colours are multiplied with after the curves, row by row: the saturation matrix of Filter Effects 1
    /// (feColorMatrix, saturate).
    /// </summary>
    public ImmutableArray<double> ColourMatrix
    {
        get
        {
            var s = 1 + Colour / 100.0;
            return
            [
                0.213 + 0.787 * s,
                0.715 - 0.715 * s,
                0.072 - 0.072 * s,
                0.213 - 0.213 * s,
                0.715 + 0.285 * s,
                0.072 - 0.072 * s,
                0.213 - 0.213 * s,
                0.715 - 0.715 * s,
                0.072 + 0.928 * s,
            ];
        }
    }

    /// <summary>A 3×3 kernel for the finished picture, row by row; its sum is 1.</summary>
    public ImmutableArray<double> SharpenKernel
    {
        get
        {
            var k = Sharpen / 100.0 * 0.5;
            return [0, -k, 0, -k, 1 + 4 * k, -k, 0, -k, 0];
        }
    }
}
