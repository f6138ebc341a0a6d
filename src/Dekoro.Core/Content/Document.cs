using System.Collections.Immutable;

namespace Dekoro.Core.Content;

/// <summary>The content of a page: what was decided, never what was computed.</summary>
public sealed record Document(ImmutableArray<Block> Blocks)
{
    /// <summary>Of what <see cref="DocumentReader"/> reads.</summary>
    public const int SchemaVersion = 1;

    /// <summary>A page without pieces.</summary>
    public static Document Empty { get; } = new([]);

    /// <summary>Every piece, wherever it stands, in the order of the page.</summary>
    public IEnumerable<Block> All => Walk.Over(Blocks);

    /// <summary>Every picture, in the order of the page: those in cells and bands, and those behind them.</summary>
    public IEnumerable<FigureBlock> Figures => All.SelectMany(b => b.Figures());

    /// <summary>Every button, wherever it stands.</summary>
    public IEnumerable<ButtonBlock> Buttons => All.OfType<ButtonBlock>();

    /// <summary>Bands and cells with something behind their words, in the order of the page.</summary>
    public IEnumerable<BackdropBlock> Backdrops => All.OfType<BackdropBlock>().Where(b => b.HasBackdrop);

    /// <summary>The arrangements that stand on it.</summary>
    public IEnumerable<ArrangementBlock> Arrangements => All.OfType<ArrangementBlock>();

    /// <summary>Ids of all arrangements that show on it: those that stand on it, and those behind bands.</summary>
    public IEnumerable<string> SetIds =>
        Arrangements
            .Select(a => a.ArrangementId)
            .Concat(Backdrops.Select(b => b.Backdrop.SetId).OfType<string>())
            .Distinct();

    /// <summary>The same with every picture changed; null takes its place out.</summary>
    public Document WithFigures(Func<FigureBlock, FigureBlock?> change) =>
        new(Walk.Changed(Blocks, block => block.WithFigures(change)));
}
