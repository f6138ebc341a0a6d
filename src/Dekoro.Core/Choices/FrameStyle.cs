using Dekoro.Core.Colour;

namespace Dekoro.Core.Choices;

/// <summary>
/// What stands round a picture: padding in a colour, a border, round corners, a shadow. All of it stands within the
/// figure's width.
/// </summary>
/// <param name="Background">Shows through the padding, and through a picture that is see-through; null for
/// none.</param>
public sealed record FrameStyle(
    LineStyle Line,
    int LinePx,
    Srgb LineColour,
    Corners Round,
    int PaddingPx,
    Srgb? Background,
    Shadow? Shadow
)
{
    /// <summary>Bounds of line and padding, in CSS px.</summary>
    public const int MaxLinePx = 20,
        MaxPaddingPx = 40;

    /// <summary>No line, no padding, straight corners, no shadow.</summary>
    public static FrameStyle None { get; } = new(LineStyle.None, 0, Srgb.Black, default, 0, null, null);

    /// <summary>What border and padding take from the picture's width, and from its height, CSS px.</summary>
    public int FramePx => 2 * (EdgePx + PaddingPx);

    /// <summary>
    /// Of a small picture in a set, padding on one side takes no more than this of its shorter side, so that something
    /// of it is left.
    /// </summary>
    private const double MaxPaddingShare = 0.12;

    /// <returns>The same as a share of the width of a picture of this shape (width over height).</returns>
    public static double MostPaddingOf(double shape) => MaxPaddingShare * Math.Min(1, 1 / shape);

    /// <summary>The border on one side, CSS px.</summary>
    public int EdgePx => Line == LineStyle.None ? 0 : LinePx;
}
