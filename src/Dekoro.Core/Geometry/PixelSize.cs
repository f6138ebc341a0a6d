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

    /// <summary>Pixels across.</summary>
    public int Width { get; }

    /// <summary>Pixels down.</summary>
    public int Height { get; }

    /// <summary>Its shape.</summary>
    public AspectRatio Shape => AspectRatio.Of(Width, Height);

    /// <summary>All pixels.</summary>
    public long Area => (long)Width * Height;
}
