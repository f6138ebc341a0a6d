namespace Dekoro.Core.Colour;

/// <summary>
/// A picture at a few samples, scaled as browsers scale it, with how opaque each is. Enough to tell what lies under
/// words, and small enough to be asked for often.
/// </summary>
public sealed class ColourGrid
{
    private const int Channels = 4;
    private readonly byte[] _rgba;
    private readonly double _across,
        _down;

    /// <param name="rgba">Rows from the top, four bytes a sample: sRGB and opacity.</param>
    /// <param name="across">How many samples wide the picture is; the last column may hold a part of one.</param>
    /// <param name="down">Likewise, how many high.</param>
    /// <exception cref="ArgumentException">Not as many bytes as the size asks for.</exception>
    public ColourGrid(int width, int height, ReadOnlySpan<byte> rgba, double? across = null, double? down = null)
    {
        if (width < 1 || height < 1 || rgba.Length != width * height * Channels)
            throw new ArgumentException("A grid has four bytes for each of its samples.");
        (Width, Height, _across, _down) = (width, height, across ?? width, down ?? height);
        _rgba = rgba.ToArray();
    }

    /// <summary>Cells across.</summary>
    public int Width { get; }

    /// <summary>Cells down.</summary>
    public int Height { get; }

    /// <summary>
    /// The mean over a box of the picture in linear light, laid on a colour where the picture is see-through.
    /// </summary>
    /// <param name="x">Left edge as a share of the picture's width; likewise the others. What lies outside counts as
    /// the nearest edge.</param>
    public Srgb MeanOf(double x, double y, double width, double height, Srgb behind)
    {
        var (x0, x1) = (x * _across, (x + width) * _across);
        var (y0, y1) = (y * _down, (y + height) * _down);
        Span<double> sum = stackalloc double[Channels];
        var area = 0.0;
        for (var row = (int)Math.Floor(y0); row < y1; row++)
        {
            var high = Math.Min(y1, row + 1) - Math.Max(y0, row);
            for (var column = (int)Math.Floor(x0); column < x1; column++)
            {
                var part = high * (Math.Min(x1, column + 1) - Math.Max(x0, column));
                if (part <= 0)
                    continue;
                var i = (Math.Clamp(row, 0, Height - 1) * Width + Math.Clamp(column, 0, Width - 1)) * Channels;
                area += part;
                for (var c = 0; c < 3; c++)
                    sum[c] += part * Srgb.LinearChannel(_rgba[i + c]);
                sum[3] += part * _rgba[i + 3] / 255;
            }
        }
        if (area <= 0)
            return behind;
        var mean = new Srgb(Srgb.Encoded(sum[0] / area), Srgb.Encoded(sum[1] / area), Srgb.Encoded(sum[2] / area));
        return mean.Over(behind, sum[3] / area);
    }
}
