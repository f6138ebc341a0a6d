using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>The one way over the pieces of a page and those that stand in them.</summary>
public static class Walk
{
    /// <summary>Every piece before those that stand in it, in the order of the page.</summary>
    public static IEnumerable<Block> Over(IEnumerable<Block> blocks) =>
        blocks.SelectMany(b => Over(b.Children()).Prepend(b));

    /// <summary>The same pieces changed, those that stand in one before it; null takes one out.</summary>
    /// <returns>What was given, where nothing changed.</returns>
    public static ImmutableArray<Block> Changed(ImmutableArray<Block> blocks, Func<Block, Block?> change)
    {
        var changed = blocks
            .Select(b => change(b.WithChildren(children => Changed(children, change))))
            .OfType<Block>()
            .ToImmutableArray();
        return changed.Length == blocks.Length && !blocks.Where((b, i) => !ReferenceEquals(b, changed[i])).Any()
            ? blocks
            : changed;
    }
}
