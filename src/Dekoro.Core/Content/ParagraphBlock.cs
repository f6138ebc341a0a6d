using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>A paragraph.</summary>
public sealed record ParagraphBlock(string Id, ImmutableArray<Inline> Inlines) : Block(Id)
{
    /// <summary>A small line above a title, close to it.</summary>
    public bool IsSmall { get; init; }

    /// <inheritdoc/>
    public override bool IsBlank => Inlines.IsEmpty;

    /// <inheritdoc/>
    public override ImmutableArray<Inline> Line => Inlines;

    /// <inheritdoc/>
    public override Block WithFigures(Func<FigureBlock, FigureBlock?> change) =>
        Inline.WithFigures(Inlines, change) is var changed && changed == Inlines
            ? this
            : this with
            {
                Inlines = changed,
            };
}
