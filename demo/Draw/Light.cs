namespace Dekoro.Demo.Draw;

/// <summary>The light a scene is shown in.</summary>
/// <param name="Red">Factor on the red channel; likewise green and blue.</param>
/// <param name="Gamma">Above 1 is darker in the middle.</param>
/// <param name="Saturation">0 grey, 1 as drawn.</param>
/// <param name="Haze">Share of pale mist mixed in.</param>
public sealed record Light(
    double Red = 1,
    double Green = 1,
    double Blue = 1,
    double Gamma = 1,
    double Saturation = 1,
    double Haze = 0
)
{
    public static readonly Light Noon = new();
    public static readonly Light Morning = new(1.04, 1.0, 0.95, 0.96, 0.95, 0.06);
    public static readonly Light Evening = new(1.10, 0.96, 0.82, 1.08, 1.05);
    public static readonly Light Overcast = new(0.97, 0.99, 1.02, 1.05, 0.55, 0.08);
    public static readonly Light Winter = new(0.94, 0.99, 1.08, 1.0, 0.7, 0.12);
    public static readonly Light Late = new(0.78, 0.74, 0.98, 1.35, 0.9);
    public static readonly Light Old = new(1.06, 0.98, 0.82, 1.0, 0.12, 0.05);
}
