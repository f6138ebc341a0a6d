using Dekoro.Core.Colour;

namespace Dekoro.Imaging;

/// <summary>How light px are (<see cref="Luma"/>, in 256ths): enough to tell edges by, and soon done.</summary>
internal static class Grey
{
    private const int Red = (int)(256 * Luma.Red + 0.5),
        Green = (int)(256 * Luma.Green + 0.5),
        Blue = (int)(256 * Luma.Blue + 0.5),
        Half = 128;

    /// <summary>Px that one processor does before it takes some more.</summary>
    private const int Strip = 1 << 18;

    /// <param name="rgb">Three bytes a px.</param>
    /// <returns>One byte a px.</returns>
    public static byte[] Of(byte[] rgb)
    {
        var grey = new byte[rgb.Length / 3];
        Parallel.For(0, (grey.Length + Strip - 1) / Strip, strip =>
        {
            var some = grey.AsSpan(strip * Strip, Math.Min(Strip, grey.Length - strip * Strip));
            var of = rgb.AsSpan(3 * strip * Strip, 3 * some.Length);
            for (var i = 0; i < some.Length; i++)
            {
                some[i] = (byte)((Red * of[0] + Green * of[1] + Blue * of[2] + Half) >> 8);
                of = of[3..];
            }
        });
        return grey;
    }
}
