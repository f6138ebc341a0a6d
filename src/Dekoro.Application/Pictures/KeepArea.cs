namespace Dekoro.Application.Pictures;

/// <summary>A keep area: fractions of the picture's width and height.</summary>
public sealed record KeepArea(double X, double Y, double Width, double Height, bool ByHand);
