using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <param name="Level">2 to 4; 1 is the page's own title.</param>
public sealed record HeadingBlock(string Id, int Level, ImmutableArray<Inline> Inlines) : Block(Id)
{
    /// <inheritdoc/>
    public override string KindInWords => "a heading";

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
