using System.Collections.Immutable;
using Dekoro.Core.Colour;

namespace Dekoro.Core.Twins;

/// <summary>A picture at 64 px on its longer side: what is compared of it.</summary>
/// <param name="Rgba">sRGB and opacity, 0 to 255, row by row.</param>
public sealed record SmallCopy(int Width, int Height, ImmutableArray<byte> Rgba)
{
    /// <summary>Its longer side, where the picture has as many px.</summary>
    public const int LongerPx = 64;

    /// <summary>Grey that is laid under what can be seen through.</summary>
    private const float Ground = 128;

    private readonly Lazy<ImmutableArray<SummedArea>> _channels = new(() =>
        [.. Enumerable.Range(0, 3).Select(c => Plane(Rgba, Width, Height, px => Over(px, c)))]
    );
    private readonly Lazy<SummedArea> _light = new(() =>
        Plane(Rgba, Width, Height, px =>
            (float)Luma.Red * Over(px, 0) + (float)Luma.Green * Over(px, 1) + (float)Luma.Blue * Over(px, 2)
        )
    );
    private readonly Lazy<SummedArea> _opacity = new(() => Plane(Rgba, Width, Height, px => px[3]));

    /// <summary>Red, green and blue, over grey where something can be seen through.</summary>
    internal ImmutableArray<SummedArea> Channels => _channels.Value;

    /// <summary><see cref="Luma"/>.</summary>
    internal SummedArea Light => _light.Value;

    internal SummedArea Opacity => _opacity.Value;

    private static float Over(ReadOnlySpan<byte> px, int channel) =>
        (px[channel] * px[3] + Ground * (255 - px[3])) / 255;

    private delegate float Tell(ReadOnlySpan<byte> px);

    private static SummedArea Plane(ImmutableArray<byte> rgba, int width, int height, Tell tell)
    {
        var values = new float[width * height];
        for (var i = 0; i < values.Length; i++)
            values[i] = tell(rgba.AsSpan(4 * i, 4));
        return new(values, width, height);
    }
}
