using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>
/// A piece of a page; <paramref name="Id"/> stays with it for good. What stands in a piece, which pictures are its own
/// and which words, each kind says of itself: <see cref="Walk"/> asks for nothing else.
/// </summary>
public abstract record Block(string Id)
{
    /// <summary>What it is, for people who are told of it.</summary>
    public virtual string KindInWords => "text";

    /// <summary>True where nothing of it is worth keeping: reading a document takes it out.</summary>
    public virtual bool IsBlank => false;

    /// <summary>The pieces that stand in it, in the order of the page.</summary>
    public virtual IEnumerable<Block> Children() => [];

    /// <summary>The same with other pieces in it; itself where they stay.</summary>
    public virtual Block WithChildren(Func<ImmutableArray<Block>, ImmutableArray<Block>> change) => this;

    /// <summary>Pictures that are its own, not those of pieces that stand in it.</summary>
    public virtual IEnumerable<FigureBlock> Figures() => Line.OfType<LinePicture>().Select(one => one.Figure);

    /// <summary>The same with each picture of its own changed; null takes a picture out.</summary>
    /// <returns>Null where nothing of it is left.</returns>
    public virtual Block? WithFigures(Func<FigureBlock, FigureBlock?> change) => this;

    /// <summary>Its own words with the pictures among them; empty where it has none, or others stand in it.</summary>
    public virtual ImmutableArray<Inline> Line => [];

    /// <summary>Its own runs of text, and what else of it leads somewhere, as a run.</summary>
    public virtual IEnumerable<TextRun> Runs() =>
        Line.Select(i =>
                i switch
                {
                    TextRun run => run,
                    LinePicture { Link: { } link } => new TextRun("", Link: link),
                    _ => null,
                }
            )
            .OfType<TextRun>();

    /// <summary>Its words without marks, and those of the pieces in it, each on a line of its own.</summary>
    public virtual string ToPlainText() =>
        Line.IsEmpty
            ? string.Join('\n', Children().Select(piece => piece.ToPlainText()).Where(text => text.Length > 0))
            : Inline.ToPlainText(Line);
}
