using System.Collections.Immutable;
using Dekoro.Core.Geometry;

namespace Dekoro.Intake.Iiif;

/// <summary>A picture as it is described to viewers of other houses.</summary>
/// <param name="Manifest">The address of its description.</param>
/// <param name="Image">The address under which its files lie, with no slash at its end.</param>
/// <param name="Credit">Shown wherever the picture is; empty for none.</param>
/// <param name="Rights">The address of a licence or rights statement, or words.</param>
/// <param name="Sizes">Of its files, px, smallest first; the last is the whole.</param>
public sealed record IiifPicture(
    Uri Manifest,
    Uri Image,
    string Label,
    string Summary,
    ImmutableArray<ArchiveField> Fields,
    string Credit,
    string Rights,
    ImmutableArray<PixelSize> Sizes
)
{
    /// <summary>The largest there is.</summary>
    public PixelSize Whole => Sizes[^1];
}
