namespace Dekoro.Core.Responsive;

/// <summary>From a viewport width on (CSS px, inclusive), the length of a slot in that viewport.</summary>
public readonly record struct Segment(double FromPx, Affine Length);
