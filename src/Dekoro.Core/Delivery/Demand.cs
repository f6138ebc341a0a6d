namespace Dekoro.Core.Delivery;

/// <summary>What one device wants of a picture in one place: file px, and how often.</summary>
public readonly record struct Demand(int WidthPx, double Share);
