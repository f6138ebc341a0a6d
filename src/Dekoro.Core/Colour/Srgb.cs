using System.Globalization;

namespace Dekoro.Core.Colour;

/// <summary>A colour as screens take it: sRGB, channels 0 to 255.</summary>
public readonly record struct Srgb(byte Red, byte Green, byte Blue)
{
    private static readonly double[] LinearOf = [.. Enumerable.Range(0, 256).Select(i => Linear(i / 255.0))];

    /// <summary>#000000</summary>
    public static Srgb Black { get; } = new(0, 0, 0);

    /// <summary>#ffffff</summary>
    public static Srgb White { get; } = new(255, 255, 255);

    /// <summary>Relative luminance, 0 to 1 (WCAG 2.2).</summary>
    public double Luminance => 0.2126 * LinearOf[Red] + 0.7152 * LinearOf[Green] + 0.0722 * LinearOf[Blue];

    /// <summary>Contrast ratio, 1 to 21 (WCAG 2.2).</summary>
    public double ContrastWith(Srgb other) => ContrastOf(Luminance, other.Luminance);

    /// <summary>Contrast ratio of two relative luminances.</summary>
    public static double ContrastOf(double a, double b) => (Math.Max(a, b) + 0.05) / (Math.Min(a, b) + 0.05);

    /// <summary>
    /// This colour laid over another, as browsers do it: channel by channel in sRGB (CSS Color 4, 12.1).
    /// </summary>
    /// <param name="opacity">0 to 1.</param>
    public Srgb Over(Srgb below, double opacity)
    {
        return new(Mix(Red, below.Red), Mix(Green, below.Green), Mix(Blue, below.Blue));

        byte Mix(byte over, byte under) => (byte)Math.Round(under + (over - under) * opacity);
    }

    /// <param name="text">#rgb or #rrggbb, in any case.</param>
    public static bool TryParse(string text, out Srgb colour)
    {
        colour = default;
        if (text.Length == 4 && text[0] == '#')
            text = $"#{text[1]}{text[1]}{text[2]}{text[2]}{text[3]}{text[3]}";
        if (
            text.Length != 7
            || text[0] != '#'
            || !int.TryParse(
                text.AsSpan(1),
                NumberStyles.AllowHexSpecifier,
                CultureInfo.InvariantCulture,
                out var value
            )
        )
            return false;
        colour = new((byte)(value >> 16), (byte)(value >> 8), (byte)value);
        return true;
    }

    /// <exception cref="FormatException">Not #rgb or #rrggbb.</exception>
    public static Srgb Parse(string text) =>
        TryParse(text, out var colour)
            ? colour
            : throw new FormatException($"“{text}” is no colour: write it as #rrggbb.");

    /// <summary>As CSS writes it: #rrggbb.</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"#{Red:x2}{Green:x2}{Blue:x2}");

    /// <summary>A channel without its transfer curve (IEC 61966-2-1); 0 to 1 both ways.</summary>
    private static double Linear(double channel) =>
        channel <= 0.04045 ? channel / 12.92 : Math.Pow((channel + 0.055) / 1.055, 2.4);

    internal static byte Encoded(double linear)
    {
        var channel = linear <= 0.0031308 ? linear * 12.92 : 1.055 * Math.Pow(linear, 1 / 2.4) - 0.055;
        return (byte)Math.Clamp((int)Math.Round(255 * channel), 0, 255);
    }

    internal static double LinearChannel(byte channel) => LinearOf[channel];
}
