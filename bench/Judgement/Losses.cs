using Dekoro.Core.Geometry;

namespace Dekoro.Bench;

/// <summary>How much of a subject a cut loses.</summary>
internal static class Losses
{
    /// <summary>The share of the subject that a cut loses beyond what any cut of its shape would.</summary>
    public static double Beyond(Cut cut, FocalRegion subject, PixelSize size, AspectRatio shape)
    {
        var best = Cut.To(shape, size, subject);
        return Math.Max(0, Of(cut, subject, size) - Of(best, subject, size));
    }

    private static double Of(Cut cut, FocalRegion subject, PixelSize size)
    {
        var across = Shared(cut.X, cut.Width, subject.X * size.Width, subject.Width * size.Width);
        var down = Shared(cut.Y, cut.Height, subject.Y * size.Height, subject.Height * size.Height);
        return 1 - across * down;
    }

    private static double Shared(double from, double length, double start, double of) =>
        Math.Max(0, Math.Min(from + length, start + of) - Math.Max(from, start)) / of;
}
