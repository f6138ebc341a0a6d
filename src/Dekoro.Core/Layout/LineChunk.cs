namespace Dekoro.Core.Layout;

/// <summary>
/// A stretch of text that is not broken, and what stands before the next one on the same line: space, kerning.
/// </summary>
internal readonly record struct LineChunk(double WidthPx, double SpacePx, bool EndsLine, int Letters);
