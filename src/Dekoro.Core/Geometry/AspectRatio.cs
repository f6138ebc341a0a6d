using System.Globalization;

namespace Dekoro.Core.Geometry;

/// <summary>A shape: width over height, both finite and positive.</summary>
public readonly record struct AspectRatio
{
    /// <summary>Shapes that a person may choose, width over height: 1:20 to 20:1.</summary>
    public const double Narrowest = 0.05,
        Widest = 20;

    /// <summary>Of a place whose picture is not known yet, and of cells until another is chosen.</summary>
    public static AspectRatio Usual { get; } = new(3, 2);

    private AspectRatio(double width, double height) => (Width, Height) = (width, height);

    /// <exception cref="ArgumentOutOfRangeException">A side, or their ratio, that is not finite and
    /// positive.</exception>
    public static AspectRatio Of(double width, double height)
    {
        var shape = new AspectRatio(width, height);
        return width > 0 && height > 0 && double.IsFinite(shape.Value) && shape.Value > 0
            ? shape
            : throw new ArgumentOutOfRangeException(
                nameof(width),
                (width, height),
                "A shape is a width over a height, both above nought."
            );
    }

    /// <summary>Parts across.</summary>
    public double Width { get; }

    /// <summary>Parts down.</summary>
    public double Height { get; }

    /// <summary>Width by height.</summary>
    public double Value => Width / Height;

    /// <summary>Whether it lies between the narrowest and the widest that may be chosen.</summary>
    public bool MayBeChosen() => Value is >= Narrowest and <= Widest;

    /// <summary>Reads a shape as people write it, "16:9"; false for anything else.</summary>
    public static bool TryParse(string? text, out AspectRatio shape)
    {
        shape = default;
        if (text?.Split(':') is not [var w, var h])
            return false;
        if (!double.TryParse(w, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var width))
            return false;
        if (!double.TryParse(h, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var height))
            return false;
        if (width is not (> 0 and < 100_000) || height is not (> 0 and < 100_000))
            return false;
        shape = Of(width, height);
        return true;
    }

    /// <summary>As <see cref="TryParse"/> reads it.</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Width}:{Height}");
}
