namespace Dekoro.Server.Contracts;

/// <summary>Each from −100 to 100, sharpen from 0; 0 leaves it.</summary>
public sealed record AdjustmentsResponse(
    int Light = 0,
    int Contrast = 0,
    int Shadows = 0,
    int Colour = 0,
    int Warmth = 0,
    int Sharpen = 0
);
