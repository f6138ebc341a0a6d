using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>A quotation.</summary>
public sealed record QuoteBlock(string Id, ImmutableArray<Block> Blocks) : Block(Id)
{
    /// <inheritdoc/>
    public override IEnumerable<Block> Children() => Blocks;

    /// <inheritdoc/>
    public override Block WithChildren(Func<ImmutableArray<Block>, ImmutableArray<Block>> change) =>
        change(Blocks) is var blocks && blocks == Blocks ? this : this with { Blocks = blocks };

    /// <inheritdoc/>
    public override bool IsBlank => Blocks.IsEmpty;
}
