namespace Dekoro.Intake.Shelf;

/// <summary>A pattern that ships with Dekoro: a square tile that meets itself at every edge.</summary>
/// <param name="HasTransparency">What lies behind shows between the strokes.</param>
/// <param name="Svg">The tile, <see cref="PatternShelf.TilePx"/> on a side.</param>
public sealed record ShelfPattern(string Id, string Name, bool HasTransparency, string Svg);
