using Dekoro.Core.Geometry;

namespace Dekoro.Core.Twins;

/// <summary>A window of a picture, in shares of its width and height; all of it, or a little less.</summary>
public readonly record struct View(double Left, double Top, double Width, double Height)
{
    /// <summary>All of it.</summary>
    public static View Whole { get; } = new(0, 0, 1, 1);

    internal bool IsInside => Left >= 0 && Top >= 0 && Left + Width <= 1 + 1e-9 && Top + Height <= 1 + 1e-9;

    /// <param name="left">What is cut away on each side, as a share.</param>
    public static View Without(double left, double top, double right, double bottom) =>
        new(left, top, 1 - left - right, 1 - top - bottom);

    /// <summary>In px of a picture.</summary>
    public Cut On(PixelSize size)
    {
        var (left, top) = ((int)Math.Round(Left * size.Width), (int)Math.Round(Top * size.Height));
        var (width, height) = ((int)Math.Round(Width * size.Width), (int)Math.Round(Height * size.Height));
        return new(left, top, Math.Clamp(width, 1, size.Width - left), Math.Clamp(height, 1, size.Height - top));
    }
}
