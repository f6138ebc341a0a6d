namespace Dekoro.Server.Contracts;

/// <summary>Fractions of a picture's width and height.</summary>
public sealed record Box(double X, double Y, double Width, double Height);
