using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>A piece of a page; <paramref name="Id"/> stays with it for good.</summary>
public abstract record Block(string Id)
{
    /// <summary>The pieces that stand in it, in the order of the page.</summary>
    public virtual IEnumerable<Block> Children() => [];

    /// <summary>The same with other pieces in it; itself where they stay.</summary>
    public virtual Block WithChildren(Func<ImmutableArray<Block>, ImmutableArray<Block>> change) => this;
}
