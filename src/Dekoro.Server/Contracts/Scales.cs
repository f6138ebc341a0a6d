namespace Dekoro.Server.Contracts;

/// <summary>
/// What the scales of light and colour do, in data, so that a picture changes while a scale is moved without asking
/// anyone: a browser's transfer tables at every <paramref name="Step"/> from −100, and the ends of what runs straight
/// between them.
/// </summary>
/// <param name="Warmth">Of red; blue takes the opposite position's.</param>
/// <param name="ColourMatrix">At −100, 0 and 100.</param>
/// <param name="SharpenKernel">At 0 and 100.</param>
public sealed record Scales(
    int Step,
    IReadOnlyList<IReadOnlyList<double>> Light,
    IReadOnlyList<IReadOnlyList<double>> Contrast,
    IReadOnlyList<IReadOnlyList<double>> Shadows,
    IReadOnlyList<IReadOnlyList<double>> Warmth,
    IReadOnlyList<IReadOnlyList<double>> ColourMatrix,
    IReadOnlyList<IReadOnlyList<double>> SharpenKernel
);
