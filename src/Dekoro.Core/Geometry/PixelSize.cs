namespace Dekoro.Core.Geometry;

/// <summary>Width and height of a picture as it is seen (orientation applied), in source px, both at least 1.</summary>
public readonly record struct PixelSize
{
    /// <exception cref="ArgumentOutOfRangeException">A side below 1.</exception>
    public PixelSize(int width, int height)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(width, 1);
        ArgumentOutOfRangeException.ThrowIfLessThan(height, 1);
        Width = width;
        Height = height;
    }

    public int Width { get; }
    public int Height { get; }
    public AspectRatio Shape => AspectRatio.Of(Width, Height);
    public long Area => (long)Width * Height;
}
