using System.Collections.Immutable;
using Dekoro.Core.Arrangements;

namespace Dekoro.Core.Content;

/// <summary>The content of a page: what was decided, never what was computed.</summary>
public sealed record Document(ImmutableArray<Block> Blocks)
{
    /// <summary>Of what <see cref="DocumentReader"/> reads.</summary>
    public const int SchemaVersion = 1;

    /// <summary>A page without pieces.</summary>
    public static Document Empty { get; } = new([]);

    /// <summary>Every picture, in the order of the page: those in cells and bands, and those behind them.</summary>
    public IEnumerable<FigureBlock> Figures => FiguresIn(Blocks);

    /// <summary>The same with every picture changed; null takes its place out.</summary>
    public Document WithFigures(Func<FigureBlock, FigureBlock?> change)
    {
        // One inside a list or a quotation is shown nowhere, and stays as it is.
        var shown = Figures.ToHashSet<object>(ReferenceEqualityComparer.Instance);
        return new(Walk.Changed(Blocks, Of));

        Block? Of(Block block) =>
            block switch
            {
                FigureBlock figure => shown.Contains(figure) ? change(figure) : figure,
                BackdropBlock { Behind: { } behind } b => b with
                {
                    Ground = b.Ground.WithPicture(change(behind)?.AssetId),
                },
                ParagraphBlock p when HasPictures(p.Inlines) => p with { Inlines = InLines(p.Inlines) },
                HeadingBlock h when HasPictures(h.Inlines) => h with { Inlines = InLines(h.Inlines) },
                _ => block,
            };

        ImmutableArray<Inline> InLines(ImmutableArray<Inline> inlines) =>
            [.. inlines.Select(i => i is LinePicture one ? Changed(one) : i).OfType<Inline>()];

        Inline? Changed(LinePicture one) => change(one.Figure) is { } figure ? one with { Figure = figure } : null;

        static bool HasPictures(ImmutableArray<Inline> inlines) => inlines.Any(i => i is LinePicture);
    }

    /// <summary>The arrangements that stand on it.</summary>
    public IEnumerable<ArrangementBlock> Arrangements => Walk.Over(Blocks).OfType<ArrangementBlock>();

    /// <summary>Ids of all arrangements that show on it: those that stand on it, and those behind bands.</summary>
    public IEnumerable<string> SetIds =>
        Arrangements.Select(a => a.ArrangementId).Concat(BehindBands.Select(b => b.Ground.SetId!)).Distinct();

    /// <summary>All of them as they are now.</summary>
    public IEnumerable<Arrangement> Sets =>
        Arrangements
            .Select(a => a.Arrangement)
            .Concat(BehindBands.Select(b => b.Ground.Set))
            .OfType<Arrangement>()
            .DistinctBy(a => a.Id);

    /// <summary>
    /// Places whose picture an arrangement gives: each by the id of its figure, with the item that has it, and whether
    /// as its step.
    /// </summary>
    public IEnumerable<(string FigureId, string SetId, string ItemId, bool IsStep)> SetPlaces =>
        Arrangements
            .SelectMany(a =>
                (a.Arrangement?.Items ?? []).SelectMany(i =>
                    new[]
                    {
                        (a.FigureIdOf(i), a.ArrangementId, i.Id, false),
                        (ArrangementBlock.StepIdOf(a.FigureIdOf(i)), a.ArrangementId, i.Id, true),
                    }
                )
            )
            .Concat(
                BehindBands.SelectMany(b =>
                    (b.Ground.Set?.Items ?? []).Select(i => (b.FollowerIdOf(i), b.Ground.SetId!, i.Id, false))
                )
            );

    private IEnumerable<BackdropBlock> BehindBands => Grounded.Where(b => b.Ground.SetId is not null);

    /// <summary>The same with each arrangement as it is now; null for one that is no more.</summary>
    /// <param name="find">By its id; what stands there already is given too.</param>
    public Document WithArrangements(Func<string, Arrangement?, Arrangement?> find)
    {
        return new(Walk.Changed(Blocks, Of));

        Block Of(Block block) =>
            block switch
            {
                ArrangementBlock one => one with { Arrangement = find(one.ArrangementId, one.Arrangement) },
                BandBlock { Ground: { SetId: { } id } ground } band => band with
                {
                    Ground = ground with { Set = find(id, ground.Set) },
                },
                _ => block,
            };
    }

    /// <summary>The same with each gallery at one of its parts.</summary>
    public Document WithSheets(Func<ArrangementBlock, int> sheetOf) =>
        new(Walk.Changed(Blocks, b => b is ArrangementBlock set ? set with { Sheet = sheetOf(set) } : b));

    /// <summary>Every button, wherever it stands.</summary>
    public IEnumerable<ButtonBlock> Buttons => Walk.Over(Blocks).OfType<ButtonBlock>();

    /// <summary>Bands and cells with something behind their words, in the order of the page.</summary>
    public IEnumerable<BackdropBlock> Grounded => Walk.Over(Blocks).OfType<BackdropBlock>().Where(b => b.HasGround);

    private static IEnumerable<FigureBlock> FiguresIn(IEnumerable<Block> blocks) =>
        blocks.SelectMany(b =>
            b switch
            {
                FigureBlock figure => [figure],
                ColumnsBlock columns => FiguresIn(columns.Cells),
                BackdropBlock { Behind: { } behind } grounded => FiguresIn(grounded.Blocks)
                    .Prepend(behind)
                    .Concat(grounded.Followers.Select(f => f.Figure)),
                BackdropBlock grounded => FiguresIn(grounded.Blocks),
                ArrangementBlock set => set.Figures.Concat(set.StepFigures),
                _ => InLinesOf(b),
            }
        );

    /// <summary>Pictures inside the lines of a piece of words, those of a list or quote too.</summary>
    public static IEnumerable<FigureBlock> InLinesOf(Block block) =>
        TextRuns.LinesIn(block).SelectMany(l => l.Inlines.OfType<LinePicture>()).Select(one => one.Figure);
}
