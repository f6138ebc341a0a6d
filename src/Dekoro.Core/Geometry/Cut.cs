using System.Globalization;

namespace Dekoro.Core.Geometry;

/// <summary>The part of a source that a place shows, in whole source px.</summary>
public readonly record struct Cut(int X, int Y, int Width, int Height)
{
    /// <summary>Its shape.</summary>
    public AspectRatio Shape => AspectRatio.Of(Width, Height);

    /// <summary>All of a picture.</summary>
    public static Cut Whole(PixelSize source) => new(0, 0, source.Width, source.Height);

    /// <summary>Whether nothing is cut away.</summary>
    public bool IsWholeOf(PixelSize source) => this == Whole(source);

    /// <summary>Share of the source's area that is kept, 0 to 1.</summary>
    public double ShareOf(PixelSize source) => (double)Width * Height / source.Area;

    /// <summary>
    /// The largest window of a shape, centred on the keep area's centre and clamped to the picture. Where the keep area
    /// fits into the window it is wholly inside, to the pixel.
    /// </summary>
    public static Cut To(AspectRatio shape, PixelSize source, FocalRegion keep)
    {
        var a = shape.Value;
        var (w, h) =
            a >= source.Shape.Value
                ? (source.Width, Math.Clamp((int)Math.Round(source.Width / a), 1, source.Height))
                : (Math.Clamp((int)Math.Round(source.Height * a), 1, source.Width), source.Height);
        return new Cut(Start(keep.X, keep.Width, source.Width, w), Start(keep.Y, keep.Height, source.Height, h), w, h);
    }

    /// <summary>The window drawn by hand, to the nearest px, and never empty.</summary>
    public static Cut Drawn(FocalRegion box, PixelSize source)
    {
        var (left, top) = (
            Math.Min((int)Math.Round(box.X * source.Width), source.Width - 1),
            Math.Min((int)Math.Round(box.Y * source.Height), source.Height - 1)
        );
        return new(
            left,
            top,
            Math.Clamp((int)Math.Round((box.X + box.Width) * source.Width) - left, 1, source.Width - left),
            Math.Clamp((int)Math.Round((box.Y + box.Height) * source.Height) - top, 1, source.Height - top)
        );
    }

    /// <summary>
    /// What the cut takes from the keep area, by side, as shares of the keep area's own width or height; 0 where less
    /// than a source px is lost.
    /// </summary>
    public KeepLoss LossFrom(FocalRegion keep, PixelSize source)
    {
        return new KeepLoss(
            Left: Share(X - keep.X * source.Width, keep.Width * source.Width),
            Top: Share(Y - keep.Y * source.Height, keep.Height * source.Height),
            Right: Share((keep.X + keep.Width) * source.Width - (X + Width), keep.Width * source.Width),
            Bottom: Share((keep.Y + keep.Height) * source.Height - (Y + Height), keep.Height * source.Height)
        );

        static double Share(double lostPx, double wholePx) => lostPx < 1 ? 0 : Math.Min(1, lostPx / wholePx);
    }

    /// <summary>
    /// CSS <c>object-position</c> that shows this window when the whole source covers a box of the window's shape
    /// (CSS Images 3, 5.5): x/(W−w) y/(H−h) in percent, 50 % where the divisor is 0.
    /// </summary>
    public string ObjectPosition(PixelSize source)
    {
        return $"{Percent(X, source.Width - Width)} {Percent(Y, source.Height - Height)}";

        static string Percent(double offset, double room) =>
            (room == 0 ? 50 : 100 * offset / room).ToString("0.######", CultureInfo.InvariantCulture) + "%";
    }

    /// <summary>Names the window in file specifications; equal windows have equal names.</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{X}-{Y}-{Width}-{Height}");

    private static int Start(double keepStart, double keepLength, int source, int window)
    {
        var room = source - window;
        var start = Math.Clamp((int)Math.Round((keepStart + keepLength / 2) * source - window / 2.0), 0, room);
        if (keepLength * source > window)
            return start;
        // Rounding may put the keep area's edge a fraction outside; the window then gives way towards it.
        var earliest = (int)Math.Ceiling((keepStart + keepLength) * source - window - 1e-9);
        var latest = (int)Math.Floor(keepStart * source + 1e-9);
        return latest < earliest
            ? start
            : Math.Clamp(start, Math.Clamp(earliest, 0, room), Math.Clamp(latest, 0, room));
    }
}
