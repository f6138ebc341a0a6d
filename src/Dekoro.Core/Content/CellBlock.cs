using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <param name="Blocks">Pictures as wide as the cell, and words.</param>
public sealed record CellBlock(string Id, Backdrop Backdrop, ImmutableArray<Block> Blocks)
    : BackdropBlock(Id, Backdrop, Blocks)
{
    /// <inheritdoc/>
    public override string Noun => "cell";
}
