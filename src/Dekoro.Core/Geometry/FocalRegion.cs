namespace Dekoro.Core.Geometry;

/// <summary>The keep area of a picture: what no cut may lose. Fractions of the source's width and height.</summary>
public readonly record struct FocalRegion
{
    /// <exception cref="ArgumentOutOfRangeException">A box that is empty or leaves the picture.</exception>
    public FocalRegion(double x, double y, double width, double height)
    {
        if (!Lies(x, y, width, height))
            throw new ArgumentOutOfRangeException(
                nameof(x),
                (x, y, width, height),
                "A keep area lies inside the picture and is not empty."
            );
        X = x;
        Y = y;
        Width = Math.Min(width, 1 - x);
        Height = Math.Min(height, 1 - y);
    }

    /// <returns>Null for a box that is empty or leaves the picture.</returns>
    public static FocalRegion? Of(double x, double y, double width, double height) =>
        Lies(x, y, width, height) ? new(x, y, width, height) : null;

    private static bool Lies(double x, double y, double width, double height) =>
        x >= 0 && y >= 0 && width > 0 && height > 0 && x + width <= 1 + Slack && y + height <= 1 + Slack;

    private const double Slack = 1e-9;

    /// <summary>Left edge, as a share of the picture's width.</summary>
    public double X { get; }

    /// <summary>Upper edge, as a share of the picture's height.</summary>
    public double Y { get; }

    /// <summary>Width, as a share of the picture's.</summary>
    public double Width { get; }

    /// <summary>Height, as a share of the picture's.</summary>
    public double Height { get; }

    /// <summary>Middle across, as a share.</summary>
    public double CentreX => X + Width / 2;

    /// <summary>Middle down, as a share.</summary>
    public double CentreY => Y + Height / 2;

    /// <summary>No wish of its own: the point in the middle, so that a cut takes the middle.</summary>
    public static FocalRegion Middle { get; } = new(0.5 - 1e-6, 0.5 - 1e-6, 2e-6, 2e-6);
}
