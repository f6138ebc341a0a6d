using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Documents;

/// <summary>The content of a page: what was decided, never what was computed.</summary>
public sealed record Document(ImmutableArray<Block> Blocks)
{
    /// <summary>Of what <see cref="DocumentReader"/> reads.</summary>
    public const int SchemaVersion = 1;

    public static Document Empty { get; } = new([]);

    /// <summary>Every picture, in the order of the page: those in cells and bands, and those behind them.</summary>
    public IEnumerable<FigureBlock> Figures => FiguresIn(Blocks);

    /// <summary>The same with every picture changed; null takes its place out.</summary>
    public Document WithFigures(Func<FigureBlock, FigureBlock?> change)
    {
        return new(Changed(Blocks));

        ImmutableArray<Block> Changed(ImmutableArray<Block> blocks) =>
        [
            .. blocks.Select(b => b switch
            {
                FigureBlock figure => change(figure),
                GroundedBlock grounded => InGround(grounded),
                ColumnsBlock columns => columns with { Cells = [.. columns.Cells.Select(InGround).Cast<CellBlock>()] },
                _ when !InLinesOf(b).Any() => b,
                ParagraphBlock p => p with { Inlines = InLines(p.Inlines) },
                HeadingBlock h => h with { Inlines = InLines(h.Inlines) },
                ListBlock list => list with { Items = [.. list.Items.Select(Changed)] },
                QuoteBlock quote => quote with { Blocks = Changed(quote.Blocks) },
                _ => b,
            }).OfType<Block>(),
        ];

        ImmutableArray<Inline> InLines(ImmutableArray<Inline> inlines) => !inlines.Any(i => i is LinePicture) ? inlines
            : [.. inlines.Select(i => i is LinePicture one ? change(one.Figure) is { } figure ? one with { Figure = figure } : null : i).OfType<Inline>()];

        GroundedBlock InGround(GroundedBlock b) => b with { Ground = b.Ground.WithPicture(b.Behind is { } behind ? change(behind)?.AssetId : null), Blocks = Changed(b.Blocks) };
    }

    /// <summary>The arrangements that stand on it.</summary>
    public IEnumerable<ArrangementBlock> Arrangements => ArrangementsIn(Blocks);

    private static IEnumerable<ArrangementBlock> ArrangementsIn(IEnumerable<Block> blocks) => blocks.SelectMany(b => b switch
    {
        ArrangementBlock one => [one],
        BandBlock band => ArrangementsIn(band.Blocks),
        _ => Enumerable.Empty<ArrangementBlock>(),
    });

    /// <summary>Ids of all arrangements that show on it: those that stand on it, and those behind bands.</summary>
    public IEnumerable<string> SetIds => Arrangements.Select(a => a.ArrangementId).Concat(BehindBands.Select(b => b.Ground.SetId!)).Distinct();

    /// <summary>All of them as they are now.</summary>
    public IEnumerable<Arrangement> Sets => Arrangements.Select(a => a.Arrangement).Concat(BehindBands.Select(b => b.Ground.Set)).OfType<Arrangement>().DistinctBy(a => a.Id);

    /// <summary>Places whose picture an arrangement gives: each by the id of its figure, with the item that has it, and whether as its step.</summary>
    public IEnumerable<(string FigureId, string SetId, string ItemId, bool IsStep)> SetPlaces =>
        Arrangements.SelectMany(a => (a.Arrangement?.Items ?? []).SelectMany(i => new[] { (a.FigureIdOf(i), a.ArrangementId, i.Id, false), (ArrangementBlock.StepIdOf(a.FigureIdOf(i)), a.ArrangementId, i.Id, true) }))
            .Concat(BehindBands.SelectMany(b => (b.Ground.Set?.Items ?? []).Select(i => (b.FollowerIdOf(i), b.Ground.SetId!, i.Id, false))));

    private IEnumerable<GroundedBlock> BehindBands => Grounded.Where(b => b.Ground.SetId is not null);

    /// <summary>The same with each arrangement as it is now; null for one that is no more.</summary>
    /// <param name="find">By its id; what stands there already is given too.</param>
    public Document WithArrangements(Func<string, Arrangement?, Arrangement?> find)
    {
        return SetIds.Any() ? new([.. Blocks.Select(Of)]) : this;

        Block Of(Block b) => b switch
        {
            ArrangementBlock one => one with { Arrangement = find(one.ArrangementId, one.Arrangement) },
            BandBlock band => band with { Ground = band.Ground.SetId is { } id ? band.Ground with { Set = find(id, band.Ground.Set) } : band.Ground, Blocks = [.. band.Blocks.Select(Of)] },
            _ => b,
        };
    }

    /// <summary>The same with each gallery at one of its parts.</summary>
    public Document WithSheets(Func<ArrangementBlock, int> sheetOf) => WithSets(a => a with { Sheet = sheetOf(a) });

    private Document WithSets(Func<ArrangementBlock, ArrangementBlock> change)
    {
        return Arrangements.Any() ? new([.. Blocks.Select(Of)]) : this;

        Block Of(Block b) => b switch
        {
            ArrangementBlock one => change(one),
            BandBlock band => band with { Blocks = [.. band.Blocks.Select(Of)] },
            _ => b,
        };
    }

    /// <summary>Every button, wherever it stands.</summary>
    public IEnumerable<ButtonBlock> Buttons => ButtonsIn(Blocks);

    private static IEnumerable<ButtonBlock> ButtonsIn(IEnumerable<Block> blocks) => blocks.SelectMany(b => b switch
    {
        ButtonBlock button => [button],
        ColumnsBlock columns => ButtonsIn(columns.Pieces),
        GroundedBlock grounded => ButtonsIn(grounded.Blocks),
        ArrangementBlock set => ButtonsIn(set.Slides),
        ListBlock list => ButtonsIn(list.Items.SelectMany(item => item)),
        QuoteBlock quote => ButtonsIn(quote.Blocks),
        _ => Enumerable.Empty<ButtonBlock>(),
    });

    /// <summary>Bands and cells with something behind their words, in the order of the page.</summary>
    public IEnumerable<GroundedBlock> Grounded => GroundedIn(Blocks).Where(b => b.HasGround);

    private static IEnumerable<GroundedBlock> GroundedIn(IEnumerable<Block> blocks) => blocks.SelectMany(b => b switch
    {
        ColumnsBlock columns => columns.Cells,
        BandBlock band => GroundedIn(band.Blocks).Prepend(band),
        ArrangementBlock set => set.Slides,
        _ => Enumerable.Empty<GroundedBlock>(),
    });

    private static IEnumerable<FigureBlock> FiguresIn(IEnumerable<Block> blocks) => blocks.SelectMany(b => b switch
    {
        FigureBlock figure => [figure],
        ColumnsBlock columns => FiguresIn(columns.Cells),
        GroundedBlock { Behind: { } behind } grounded => FiguresIn(grounded.Blocks).Prepend(behind).Concat(grounded.Followers.Select(f => f.Figure)),
        GroundedBlock grounded => FiguresIn(grounded.Blocks),
        ArrangementBlock set => set.Figures.Concat(set.StepFigures),
        _ => InLinesOf(b),
    });

    /// <summary>Pictures inside the lines of a piece of words, those of a list or quote too.</summary>
    public static IEnumerable<FigureBlock> InLinesOf(Block block) => TextRuns.LinesIn(block).SelectMany(l => l.Inlines.OfType<LinePicture>()).Select(one => one.Figure);
}

/// <summary>A piece of a page; <paramref name="Id"/> stays with it for good.</summary>
public abstract record Block(string Id);

public sealed record ParagraphBlock(string Id, ImmutableArray<Inline> Inlines) : Block(Id);

/// <param name="Level">2 to 4; 1 is the page's own title.</param>
public sealed record HeadingBlock(string Id, int Level, ImmutableArray<Inline> Inlines) : Block(Id);

/// <param name="Items">Each item is a list of blocks.</param>
public sealed record ListBlock(string Id, bool Ordered, ImmutableArray<ImmutableArray<Block>> Items) : Block(Id);

public sealed record QuoteBlock(string Id, ImmutableArray<Block> Blocks) : Block(Id);

public sealed record RuleBlock(string Id) : Block(Id);

/// <summary>Cells side by side, all as wide as each other; on narrower screens fewer stand in a row.</summary>
/// <param name="InRow">2 to 6 on desktops.</param>
/// <param name="LeastHeightPx">Of each row, CSS px for each class of screen; 0: as high as what stands in it.</param>
/// <param name="Across">Where lines of words stand in cells with a ground.</param>
/// <param name="Down">Where what stands in such a cell is put, where the cell is higher.</param>
public sealed record ColumnsBlock(string Id, int InRow, Extent Extent, PerClass<int> LeastHeightPx, Side Across, Down Down, ImmutableArray<CellBlock> Cells) : Block(Id)
{
    public const int LeastInRow = 2, MostInRow = 6, MostCells = 24;

    /// <summary>What stands in the cells, cell by cell.</summary>
    public IEnumerable<Block> Pieces => Cells.SelectMany(c => c.Blocks);

    /// <summary>True where no cell shows anything: such cells wait on the desk and are never published.</summary>
    public bool IsEmpty => !Pieces.Any() && !Cells.Any(c => c.HasGround);
}

/// <param name="Blocks">Pictures as wide as the cell, and words.</param>
public sealed record CellBlock(string Id, Ground Ground, ImmutableArray<Block> Blocks) : GroundedBlock(Id, Ground, Blocks);

/// <summary>An arrangement standing on a page, by its id: what is in it is its own.</summary>
/// <param name="Reach">The column, wide, or edge to edge.</param>
public sealed record ArrangementBlock(string Id, string ArrangementId, SizeRole Reach) : Block(Id)
{
    /// <summary>As it is now; null while it is not looked up, and where it is no more.</summary>
    public Arrangement? Arrangement { get; init; }

    /// <summary>Which part of a gallery is shown, from 1; null shows all of it.</summary>
    public int? Sheet { get; init; }

    /// <summary>How many parts it has.</summary>
    public int Sheets => Arrangement?.Paging is { } paging ? Math.Max(1, (Arrangement.Shown.Count() + paging.PerSheet - 1) / paging.PerSheet) : 1;

    private IEnumerable<ArrangementItem> OnSheet => Sheet is { } n && Arrangement!.Paging is { } paging ? Arrangement.Shown.Skip((n - 1) * paging.PerSheet).Take(paging.PerSheet) : Arrangement!.Shown;

    /// <summary>Of a gallery in parts: how many pictures that open the larger view stand before this part, and on all parts together.</summary>
    public (int Before, int All) LargerOnSheets
    {
        get
        {
            var opens = Arrangement!.Shown.Select(item => Arrangement.LinkOf(item).Kind == FigureLinkKind.LargeFile).ToList();
            return (Sheet is { } n && Arrangement.Paging is { } paging ? opens.Take((n - 1) * paging.PerSheet).Count(o => o) : 0, opens.Count(o => o));
        }
    }

    public string FigureIdOf(ArrangementItem item) => Id + "-" + item.Id;

    public static string StepIdOf(string figureId) => figureId + "-step";

    /// <summary>Pictures that stand small as steps instead of their slides' own.</summary>
    public ImmutableArray<FigureBlock> StepFigures => Arrangement is not { Kind: not ArrangementKind.Gallery, Slider.Steps: Steps.Pictures } ? [] :
    [
        .. OnSheet.Where(item => item.StepAssetId is not null).Select(item => new FigureBlock(StepIdOf(FigureIdOf(item)), item.StepAssetId!, new FigureSize.InSet(), Side.Centre, false,
            new CutChoice(SliderControls.StepShape), new(Decorative: true, null), new(CaptionSource.None), new(FigureLinkKind.None))),
    ];

    /// <summary>Words over it stand in its caption's stead.</summary>
    private bool IsWorded(ArrangementItem item) => Arrangement!.Kind != ArrangementKind.Gallery && item.Words is not null;

    /// <summary>What stands over its slides, of those that have words.</summary>
    public ImmutableArray<SlideBlock> Slides => Arrangement is not { Slider.Words: var over } set ? [] :
    [
        .. OnSheet.Where(IsWorded).Select(item => new SlideBlock(FigureIdOf(item), item.IsWordsAlone ? new(over.Tint, null, false, over.Tint, default, over.Tone) : new(null, item.AssetId, false, over.Tint, over.TintStrength, over.Tone), over.Across, over.Down,
            item.Words!.BlocksFor(FigureIdOf(item), set.Kind == ArrangementKind.Slider ? 2 : 3))),
    ];

    /// <summary>Its pictures, as ones that are placed: each goes by the block's id and its own.</summary>
    public ImmutableArray<FigureBlock> Figures => Arrangement is not { } set ? [] :
    [
        .. OnSheet.Select(item => new FigureBlock(FigureIdOf(item), item.AssetId, new FigureSize.InSet(), Side.Centre, false, new CutChoice(set.ShapeOfAll),
            item.Alt, IsWorded(item) ? new(CaptionSource.None) : set.CaptionOf(item),
            set.LinkOf(item))
        {
            Larger = set.Larger.Size,
            Look = set.Look,
            Instead = set.LinkOf(item).Kind == FigureLinkKind.LargeFile ? item.Instead : null,
            Video = set.LinkOf(item).Kind == FigureLinkKind.None ? item.Instead?.InPlace : null,
        }),
    ];
}

/// <summary>Words that lead somewhere and look like something to press.</summary>
/// <param name="Link">As it is written in the document; empty while it is not said where it leads.</param>
public sealed record ButtonBlock(string Id, string Text, string Link, ButtonKind Kind) : Block(Id);

/// <summary>Filled with a colour, or drawn as a line.</summary>
public enum ButtonKind { Filled, Outline }

/// <summary>How far a structure reaches: over the column of text, or over the wider one.</summary>
public enum Extent { Column, Wide }

public abstract record Inline;

/// <param name="Link">As it is written in the document (see <c>LinkReader</c>); null for none.</param>
public sealed record TextRun(string Text, bool Bold = false, bool Italic = false, string? Link = null) : Inline;

public sealed record LineBreak : Inline;

/// <summary>A small picture among the words of a line; its size is of <see cref="FigureSize.InLine"/>.</summary>
/// <param name="Link">As of a run of text.</param>
public sealed record LinePicture(FigureBlock Figure, string? Link = null) : Inline
{
    public static FigureBlock Of(string id, string assetId, LineHeight height, AltChoice alt) =>
        new(id, assetId, new FigureSize.InLine(height), Side.Left, false, CutChoice.AsIs, alt, new CaptionChoice(CaptionSource.None), new LinkChoice(FigureLinkKind.None));
}

/// <summary>How high a picture in a line is: as its letters, or as the whole line.</summary>
public enum LineHeight { Letters, Line }

/// <summary>Files to take away, each with its type and size.</summary>
public sealed record FilesBlock(string Id, ImmutableArray<ListedFile> Files) : Block(Id)
{
    public const int Most = 200;
}

/// <param name="Words">What it is called here; null takes the library's title.</param>
public sealed record ListedFile(string FileId, string? Words);

/// <summary>A picture standing among the words.</summary>
/// <param name="AssetId">Empty while the place waits for one.</param>
public sealed record FigureBlock(
    string Id, string AssetId, FigureSize Size, Side Side, bool TextBeside, CutChoice Cut, AltChoice Alt, CaptionChoice Caption, LinkChoice Link)
    : Block(Id)
{
    /// <summary>What is otherwise on one class of screen; never hidden on all.</summary>
    public PerClass<FigureException?> Exceptions { get; init; }

    public LookChoice Look { get; init; } = LookChoice.None;

    /// <summary>Plays where the picture stands; null for a picture alone.</summary>
    public VideoChoice? Video { get; init; }

    /// <summary>The file that its larger view opens.</summary>
    public LargerSize Larger { get; init; } = LargerSize.Full;

    /// <summary>What the larger view shows in the picture's stead; null for the picture itself.</summary>
    public LargerContent? Instead { get; init; }

    /// <summary>The film of the library that plays here or in the larger view; null for none.</summary>
    public VideoChoice.Own? OwnVideo => (Video ?? Instead?.InPlace) as VideoChoice.Own;

    /// <summary>True where the place waits for a picture: it is kept on the desk and never published.</summary>
    public bool IsEmpty => AssetId.Length == 0;

    /// <summary>Every picture that stands here on one class of screen or another.</summary>
    public IEnumerable<string> Assets => WidthClasses.All.Select(c => Exceptions[c]?.AssetId).Prepend(AssetId).OfType<string>().Where(id => id.Length > 0).Distinct();

    public bool IsHiddenOn(WidthClass c) => Exceptions[c]?.Hidden ?? false;

    /// <summary>The figure as it stands on a class of screen.</summary>
    public FigureBlock On(WidthClass c)
    {
        if (Exceptions[c] is not { } own) return this;
        // What a cell or a band gives is not the picture's to set.
        return this with
        {
            AssetId = own.AssetId ?? AssetId,
            Size = Size is FigureSize.OfCell or FigureSize.Behind ? Size : own.Size ?? Size,
            Side = own.Side ?? Side,
            TextBeside = own.TextBeside ?? TextBeside,
            Cut = own.Cut ?? Cut,
        };
    }

    /// <summary>The same with another picture in one picture's stead.</summary>
    public FigureBlock WithAsset(string from, string to) => this with
    {
        AssetId = AssetId == from ? to : AssetId,
        Exceptions = Exceptions.Select((_, own) => own?.AssetId == from ? own with { AssetId = to } : own),
    };
}

public enum SizeRole { Third, Half, Column, Wide, Edge }

public enum Side { Left, Centre, Right }

/// <summary>How wide a figure stands: by its role on the site, or by a number of CSS px.</summary>
public abstract record FigureSize
{
    private FigureSize() { }

    public sealed record ByRole(SizeRole Role) : FigureSize;

    /// <summary>As wide as the cell it stands in.</summary>
    public sealed record OfCell : FigureSize;

    /// <summary>Behind words: it covers all of the box, whatever its height, or is repeated over it.</summary>
    public sealed record Behind(bool Repeats) : FigureSize;

    /// <summary>In an arrangement, which gives the size.</summary>
    public sealed record InSet : FigureSize;

    /// <summary>Among the words of a line.</summary>
    public sealed record InLine(LineHeight Height) : FigureSize;

    public sealed record ByPx : FigureSize
    {
        public const int Least = 40, Most = 4000;

        /// <exception cref="ArgumentOutOfRangeException">Outside 40 to 4000 px.</exception>
        public ByPx(int cssPx)
        {
            ArgumentOutOfRangeException.ThrowIfLessThan(cssPx, Least);
            ArgumentOutOfRangeException.ThrowIfGreaterThan(cssPx, Most);
            CssPx = cssPx;
        }

        public int CssPx { get; }
    }
}

/// <summary>The words read out in a picture's place.</summary>
/// <param name="Own">For this place only; null takes the library's.</param>
public sealed record AltChoice(bool Decorative, string? Own);

public enum CaptionSource { None, Title, Caption, Description, Own }

public sealed record CaptionChoice(CaptionSource Source, string Own = "");

public enum FigureLinkKind { None, LargeFile, Page, Address }

/// <param name="Target">A page's id or an address, as its kind asks; empty for the others.</param>
public sealed record LinkChoice(FigureLinkKind Kind, string Target = "");
