using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>A strip from edge to edge of the page with words and pictures over a ground of its own.</summary>
/// <param name="LeastHeightPx">CSS px for each class of screen; 0: as high as what stands in it.</param>
/// <param name="Across">Where lines of words stand.</param>
public record BandBlock(
    string Id,
    Backdrop Backdrop,
    PerClass<int> LeastHeightPx,
    HorizontalAlign Across,
    VerticalAlign Down,
    ImmutableArray<Block> Blocks
) : BackdropBlock(Id, Backdrop, Blocks)
{
    /// <inheritdoc/>
    public override string Noun => "band";

    /// <summary>The highest a band may be at the least, in CSS px.</summary>
    public const int MaxHeightPx = 2000;

    /// <summary>True where nothing of it shows: such a band waits on the desk and is never published.</summary>
    public bool IsEmpty => Blocks.IsEmpty && !HasBackdrop;
}
