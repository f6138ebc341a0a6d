namespace Dekoro.Core.Colour;

/// <summary>How much of each channel the eye takes for light, as their values stand in a file.</summary>
/// <remarks>ITU-R BT.601. Not luminance, which is of light itself (<see cref="Srgb.Luminance"/>).</remarks>
public static class Luma
{
    /// <summary>Of red.</summary>
    public const double Red = 0.299;

    /// <summary>Of green.</summary>
    public const double Green = 0.587;

    /// <summary>Of blue.</summary>
    public const double Blue = 0.114;
}
