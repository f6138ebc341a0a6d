namespace Dekoro.Server.Contracts;

/// <summary>What a figure's size in px and its shape (width over height) may be.</summary>
public sealed record FigureLimits(int LeastPx, int MostPx, double NarrowestShape, double WidestShape);
