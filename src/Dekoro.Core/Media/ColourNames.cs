using System.Collections.Immutable;
using Dekoro.Core.Colour;

namespace Dekoro.Core.Media;

/// <summary>
/// The colours a picture shows, by the eleven basic colour terms (Berlin and Kay, 1969), told in OKLCH: grey ones by
/// lightness, the others by hue.
/// </summary>
public static class ColourNames
{
    /// <summary>A colour that covers less of a picture than this is not named.</summary>
    public const double MinShare = 0.12;

    private const double GreyBelowChroma = 0.03;

    /// <summary>In the order of a colour wheel, the grey ones last.</summary>
    public static ImmutableArray<string> All { get; } =
    ["red", "orange", "yellow", "green", "blue", "violet", "pink", "brown", "white", "grey", "black"];

    /// <summary>The term for one sRGB colour, channels 0 to 255.</summary>
    public static string Of(byte red, byte green, byte blue)
    {
        var (lightness, chroma, hue) = Oklch(red, green, blue);
        if (lightness < 0.22)
            return "black";
        // The darker or lighter a colour, the more chroma it takes to be seen as one.
        if (chroma < GreyBelowChroma)
            return lightness > 0.9 ? "white" : "grey";
        return hue switch
        {
            < 10 => lightness > 0.68 || chroma < 0.13 ? "pink" : "red",
            < 42 => lightness > 0.75 ? "pink"
            : lightness < 0.45 && chroma < 0.12 ? "brown"
            : "red",
            < 80 => lightness < 0.62 || chroma < 0.08 ? "brown" : "orange",
            < 118 => lightness < 0.55 ? "brown" : "yellow",
            < 175 => "green",
            < 282 => "blue",
            < 325 => "violet",
            < 350 => "pink",
            _ => lightness > 0.62 || chroma < 0.13 ? "pink" : "red",
        };
    }

    /// <param name="rgb">Pixels, three bytes each, of a small copy of the picture.</param>
    /// <returns>The terms that cover at least <see cref="MinShare"/>, most first.</returns>
    public static ImmutableArray<string> Of(ReadOnlySpan<byte> rgb)
    {
        var counts = new Dictionary<string, int>();
        for (var i = 0; i + 2 < rgb.Length; i += 3)
        {
            var name = Of(rgb[i], rgb[i + 1], rgb[i + 2]);
            counts[name] = counts.GetValueOrDefault(name) + 1;
        }
        var least = MinShare * (rgb.Length / 3);
        return [.. counts.Where(c => c.Value >= least).OrderByDescending(c => c.Value).Select(c => c.Key)];
    }

    /// <summary>
    /// Lightness 0 to 1, chroma, hue in degrees (B. Ottosson, "A perceptual color space for image processing", 2020).
    /// </summary>
    private static (double Lightness, double Chroma, double Hue) Oklch(byte red, byte green, byte blue)
    {
        var (r, g, b) = (Srgb.LinearChannel(red), Srgb.LinearChannel(green), Srgb.LinearChannel(blue));
        var l = Math.Cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
        var m = Math.Cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
        var s = Math.Cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
        var a = 1.9779984951 * l - 2.4285922050 * m + 0.4505937099 * s;
        var c = 0.0259040371 * l + 0.7827717662 * m - 0.8086757660 * s;
        var hue = Math.Atan2(c, a) * 180 / Math.PI;
        return (
            0.2104542553 * l + 0.7936177850 * m - 0.0040720468 * s,
            Math.Sqrt(a * a + c * c),
            hue < 0 ? hue + 360 : hue
        );
    }
}
