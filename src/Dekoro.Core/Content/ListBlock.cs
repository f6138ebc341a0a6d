using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <param name="Items">Each item is a list of blocks.</param>
public sealed record ListBlock(string Id, bool Ordered, ImmutableArray<ImmutableArray<Block>> Items) : Block(Id)
{
    /// <inheritdoc/>
    public override IEnumerable<Block> Children() => Items.SelectMany(item => item);

    /// <inheritdoc/>
    public override Block WithChildren(Func<ImmutableArray<Block>, ImmutableArray<Block>> change)
    {
        var items = Items.Select(change).ToImmutableArray();
        return items.SequenceEqual(Items) ? this : this with { Items = items };
    }
}
