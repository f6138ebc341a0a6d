using System.Collections.Immutable;

namespace Dekoro.Core.Colour;

/// <summary>Words of one size, and what lies under them.</summary>
/// <param name="Needed">Contrast ratio that they want: 4.5, or 3 where they are large (WCAG 2.2, SC 1.4.3).</param>
/// <param name="Below">What lies under them without any tint: <see cref="Readability.Parts"/> colours for each 8 × 8
/// CSS px, one square after the other.</param>
public sealed record WordsGround(double Needed, ImmutableArray<Srgb> Below);
