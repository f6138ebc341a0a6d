namespace Dekoro.Core.Choices;

/// <summary>How round the corners are, CSS px.</summary>
public readonly record struct Corners(int TopLeft, int TopRight, int BottomRight, int BottomLeft)
{
    /// <summary>The largest radius, in CSS px.</summary>
    public const int MaxPx = 999;
}
