using System.Collections.Concurrent;
using Dekoro.Core.Documents;
using Dekoro.Core.Library;
using Dekoro.Core.Sites;
using Dekoro.Core.Typography;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>
/// The structure every page of a site has, as slot widths: the page, its padded content, the column of text and the wider
/// one pictures may take. The style sheet is written from the same figures, so that neither can drift from the other.
/// </summary>
public sealed class PageLayout
{
    /// <summary>Text beside a picture wants at least this many characters in a line.</summary>
    public const int LeastCharactersBeside = 22;

    /// <summary>Above and below what stands in a band, CSS px.</summary>
    public const double BandPaddingPx = 48;

    /// <summary>Round what stands in a cell with a ground of its own, CSS px.</summary>
    public const double CellPaddingPx = 20;

    /// <returns>0 where nothing shows behind what stands in the cell.</returns>
    public static double PaddingOf(CellBlock cell) => cell.HasGround ? CellPaddingPx : 0;

    public PageLayout(SiteStyle style)
    {
        Style = style;
        Page = SlotWidth.Viewport;
        Content = Page.Inset(style.PaddingPx, style.Classes);
        Column = Content.Cap(style.ColumnPx);
        Wide = Content.Cap(style.WidePx);
    }

    public SiteStyle Style { get; }
    public SlotWidth Page { get; }
    public SlotWidth Content { get; }
    public SlotWidth Column { get; }
    public SlotWidth Wide { get; }

    /// <summary>A third or half of the column, affine in it; on phones both take the whole column.</summary>
    public PerClass<Affine> InColumn(SizeRole role) => role switch
    {
        SizeRole.Third => OnWiderScreens(1.0 / 3),
        SizeRole.Half => OnWiderScreens(1.0 / 2),
        _ => new(Affine.Container, Affine.Container, Affine.Container),
    };

    /// <summary>How wide a figure of a size stands between the pieces of a page, at every width.</summary>
    public SlotWidth SlotOf(FigureSize size) => _slots.GetOrAdd(size, SlotFor);

    /// <summary>Px across from which a picture is sharp in this size on every class of screen.</summary>
    public int SharpFromPx(FigureSize size) => _sharpFrom.GetOrAdd(size, s => WidthClasses.All.Max(c => Fit.SharpFromPxOf(c, SlotOf(s), Style.Devices, Style.Classes)));

    // Worked out once for all the pictures of a plan.
    private readonly ConcurrentDictionary<FigureSize, SlotWidth> _slots = new();
    private readonly ConcurrentDictionary<FigureSize, int> _sharpFrom = new();

    private SlotWidth SlotFor(FigureSize size) => size switch
    {
        FigureSize.ByPx px => (px.CssPx > Style.ColumnPx ? Wide : Column).Cap(px.CssPx),
        FigureSize.ByRole { Role: SizeRole.Edge } => Page,
        FigureSize.ByRole { Role: SizeRole.Wide } => Wide,
        FigureSize.ByRole role => SlotWidth.PerClass(InColumn(role.Role).Select((_, part) => Column.Within(part)), Style.Classes),
        _ => throw new ArgumentException("Unknown size.", nameof(size)),
    };

    /// <summary>How many cells stand in a row: all on desktops, one on phones, and of four or more half as many on tablets.</summary>
    public static PerClass<int> InRow(int onDesktop) => new(1, onDesktop <= 3 ? onDesktop : (onDesktop + 1) / 2, onDesktop);

    /// <summary>How wide each cell of columns is, at every width.</summary>
    public SlotWidth CellOf(int inRow, Extent extent) => SlotWidth.PerClass(
        InRow(inRow).Select((_, n) => (extent == Extent.Wide ? Wide : Column).Within(Affine.Part(1.0 / n, Style.GutterPx))), Style.Classes);

    /// <summary>Every picture of a page with where it stands.</summary>
    public IEnumerable<Stand> Standing(LaidPage page)
    {
        return page.Page.Blocks.SelectMany(block => Of(block, Setting.Column));

        IEnumerable<Stand> Of(Block block, Setting setting) => block switch
        {
            FigureBlock figure => StandsOf(figure, f => SlotOf(f.Size)),
            ColumnsBlock columns => CellOf(columns.InRow, columns.Extent) is var slot ? columns.Cells.SelectMany(cell => Behind(cell, slot).Concat(InCell(cell, Inside(slot, cell)))) : [],
            ArrangementBlock set => page.SetOf(set) is { } plan ? plan.Stands : [],
            BandBlock band => Behind(band, Page).Concat(band.Blocks.SelectMany(one => Of(one, Setting.Band))),
            _ => InLines(block, Column, setting),
        };

        IEnumerable<Stand> InCell(CellBlock cell, SlotWidth slot) =>
            cell.Blocks.SelectMany(one => one is FigureBlock figure ? StandsOf(figure, _ => slot) : InLines(one, slot, Setting.Cell));

        IEnumerable<Stand> InLines(Block words, SlotWidth room, Setting setting) => Document.InLinesOf(words)
            .Select(figure => new Stand(figure, this, new(true, true, true), room, null) { InLinePx = TypeScale.InLinePx(((FigureSize.InLine)figure.Size).Height, TypeScale.Of(words, Style, setting)) });

        IEnumerable<Stand> Behind(GroundedBlock block, SlotWidth slot) =>
            block.Behind is { } behind ? block.Followers.Select(f => f.Figure).Prepend(behind).Select(figure => new Stand(figure, this, new(true, true, true), slot, page.HeightsOf(block.Id))) : [];

        // One for each picture and cut that the figure shows on one class of screen or another, the widest first.
        IEnumerable<Stand> StandsOf(FigureBlock figure, Func<FigureBlock, SlotWidth> slotOf)
        {
            var framePx = Style.LookOf(figure.Look).FramePx;
            var shown = WidthClasses.All.Reverse().Where(c => !figure.IsHiddenOn(c)).Select(c => (Class: c, Figure: figure.On(c)));
            foreach (var same in shown.GroupBy(s => (s.Figure.AssetId, s.Figure.Cut)))
            {
                var byClass = same.ToDictionary(s => s.Class, s => s.Figure);
                var on = new PerClass<bool>().Select((c, _) => byClass.ContainsKey(c));
                yield return new(same.First().Figure, this, on, SlotWidth.PerClass(on.Select((c, isOn) => isOn ? slotOf(byClass[c]).Framed(framePx) : SlotWidth.None), Style.Classes), null);
            }
        }

        static SlotWidth Inside(SlotWidth slot, CellBlock cell) => PaddingOf(cell) is > 0 and var padding ? slot.Within(Affine.Container - Affine.Px(2 * padding)) : slot;
    }

    /// <summary>
    /// Where text runs beside the figure: never on phones, and only where the narrowest screen of the class leaves
    /// <see cref="LeastCharactersBeside"/> characters to a line.
    /// </summary>
    public PerClass<bool> BesideOf(FigureBlock figure)
    {
        return new PerClass<bool>(false, true, true).Select((c, wideEnough) =>
        {
            var f = figure.On(c);
            if (!wideEnough || figure.IsHiddenOn(c) || !f.TextBeside || f.Side == Side.Centre || BreaksOut(f.Size)
                || f.Size is FigureSize.OfCell or FigureSize.Behind or FigureSize.InLine or FigureSize.InSet or FigureSize.ByRole { Role: SizeRole.Column }) return false;
            var narrowest = Style.Classes.FromPx(c);
            return Column.At(narrowest) - SlotOf(f.Size).At(narrowest) - Style.GutterPx >= LeastCharactersBeside * Style.Face.MeanAdvanceEm * Style.TextPx;
        });
    }

    /// <summary>Whether a figure of this size may stand wider than the column of text.</summary>
    public bool BreaksOut(FigureSize size) => size switch
    {
        FigureSize.ByPx px => px.CssPx > Style.ColumnPx,
        FigureSize.ByRole role => role.Role is SizeRole.Wide or SizeRole.Edge,
        _ => false,
    };

    private PerClass<Affine> OnWiderScreens(double f)
    {
        var part = Affine.Part(f, Style.GutterPx);
        return new(Affine.Container, part, part);
    }
}
