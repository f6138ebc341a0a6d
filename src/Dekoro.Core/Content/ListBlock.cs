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

    /// <inheritdoc/>
    public override bool IsBlank => Items.IsEmpty;

    /// <inheritdoc/>
    public override string ToPlainText() => string.Join('\n', Items.Select((item, i) => MarkOf(i) + ToPlainText(item)));

    private string MarkOf(int item) => Ordered ? $"{item + 1}. " : "• ";

    private static string ToPlainText(ImmutableArray<Block> item) =>
        string.Join('\n', item.Select(piece => piece.ToPlainText()).Where(text => text.Length > 0));
}
