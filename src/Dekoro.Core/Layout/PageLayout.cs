using System.Collections.Concurrent;
using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Core.Layout;

/// <summary>
/// The structure every page of a site has, as slot widths: the page, its padded content, the column of text and the
/// wider one pictures may take. The style sheet is written from the same figures, so that neither can drift from the
/// other.
/// </summary>
public sealed class PageLayout
{
    /// <summary>Text beside a picture wants at least this many characters in a line.</summary>
    public const int MinCharactersBeside = 22;

    /// <summary>Above and below what stands in a band, CSS px.</summary>
    public const double BandPaddingPx = 48;

    /// <summary>Round what stands in a cell with a ground of its own, CSS px.</summary>
    public const double CellPaddingPx = 20;

    /// <returns>0 where nothing shows behind what stands in the cell.</returns>
    public static double PaddingOf(CellBlock cell) => cell.HasBackdrop ? CellPaddingPx : 0;

    /// <summary>The layout that follows from a site's style.</summary>
    public PageLayout(SiteStyle style)
    {
        Style = style;
        Page = SlotWidth.Viewport;
        Content = Page.Inset(style.PaddingPx, style.Classes);
        Column = Content.Cap(style.ColumnPx);
        Wide = Content.Cap(style.WidePx);
    }

    /// <summary>What it follows from.</summary>
    public SiteStyle Style { get; }

    /// <summary>The screen.</summary>
    public SlotWidth Page { get; }

    /// <summary>The screen without its margins.</summary>
    public SlotWidth Content { get; }

    /// <summary>The column of text.</summary>
    public SlotWidth Column { get; }

    /// <summary>What is wider than the column.</summary>
    public SlotWidth Wide { get; }

    /// <summary>A third or half of the column, affine in it; on phones both take the whole column.</summary>
    public PerClass<Affine> InColumn(SizeRole role) =>
        role switch
        {
            SizeRole.Third => OnWiderScreens(1.0 / 3),
            SizeRole.Half => OnWiderScreens(1.0 / 2),
            _ => new(Affine.Container, Affine.Container, Affine.Container),
        };

    /// <summary>How wide a figure of a size stands between the pieces of a page, at every width.</summary>
    public SlotWidth SlotOf(FigureSize size) => _slots.GetOrAdd(size, SlotFor);

    /// <summary>Px across from which a picture is sharp in this size on every class of screen.</summary>
    public int SharpFromPx(FigureSize size) =>
        _sharpFrom.GetOrAdd(size, s =>
            WidthClasses.All.Max(c => Fit.SharpFromPxOf(c, SlotOf(s), Style.Devices, Style.Classes))
        );

    // Worked out once for all the pictures of a plan.
    private readonly ConcurrentDictionary<FigureSize, SlotWidth> _slots = new();
    private readonly ConcurrentDictionary<FigureSize, int> _sharpFrom = new();

    private SlotWidth SlotFor(FigureSize size) =>
        size switch
        {
            FigureSize.ByPx px => (px.CssPx > Style.ColumnPx ? Wide : Column).Cap(px.CssPx),
            FigureSize.ByRole { Role: SizeRole.Edge } => Page,
            FigureSize.ByRole { Role: SizeRole.Wide } => Wide,
            FigureSize.ByRole role => SlotWidth.PerClass(
                InColumn(role.Role).Select((_, part) => Column.Within(part)),
                Style.Classes
            ),
            _ => throw new ArgumentException("Unknown size.", nameof(size)),
        };

    /// <summary>
    /// How many cells stand in a row: all on desktops, one on phones, and of four or more half as many on tablets.
    /// </summary>
    public static PerClass<int> InRow(int onDesktop) =>
        new(1, onDesktop <= 3 ? onDesktop : (onDesktop + 1) / 2, onDesktop);

    /// <summary>How wide each cell of columns is, at every width.</summary>
    public SlotWidth CellOf(int inRow, Extent extent) =>
        SlotWidth.PerClass(
            InRow(inRow)
                .Select((_, n) => (extent == Extent.Wide ? Wide : Column).Within(Affine.Part(1.0 / n, Style.GutterPx))),
            Style.Classes
        );

    /// <summary>Every picture of a page with where it stands.</summary>
    public IEnumerable<Placement> Standing(LaidPage page) => new Placements(this, page).All;

    /// <summary>
    /// Where text runs beside the figure: never on phones, and only where the narrowest screen of the class leaves
    /// <see cref="MinCharactersBeside"/> characters to a line.
    /// </summary>
    public PerClass<bool> BesideOf(FigureBlock figure)
    {
        return new PerClass<bool>().Select(
            (c, _) =>
            {
                var f = figure.On(c);
                if (figure.IsHiddenOn(c) || !f.TextBeside || !ChoicesOn(figure, c).Beside)
                    return false;
                var narrowest = Style.Classes.FromPx(c);
                return Column.At(narrowest) - SlotOf(f.Size).At(narrowest) - Style.GutterPx
                    >= MinCharactersBeside * Style.Face.MeanAdvanceEm * Style.TextPx;
            }
        );
    }

    /// <summary>The same on one class of screen: on phones no text stands beside a picture.</summary>
    public PlacementChoices ChoicesOn(FigureBlock figure, WidthClass c)
    {
        var choices = ChoicesOf(figure.On(c));
        return c == WidthClass.Phone ? choices with { Beside = false } : choices;
    }

    /// <summary>What of its side and the text beside it is a person's to choose.</summary>
    public PlacementChoices ChoicesOf(FigureBlock figure)
    {
        var takesSide = figure.Size is FigureSize.ByPx or FigureSize.ByRole && !BreaksOut(figure.Size);
        var leavesRoom =
            figure.Size is not FigureSize.ByRole { Role: SizeRole.Column } && figure.Side != HorizontalAlign.Centre;
        return new(takesSide, takesSide && leavesRoom);
    }

    /// <summary>Sizes that come out as this one on a class of screen: choosing between them changes nothing.</summary>
    /// <returns>This one among them; empty for one that is no role.</returns>
    public ImmutableArray<SizeRole> SameSizesOn(FigureSize size, WidthClass c) =>
        size is FigureSize.ByRole { Role: var own } && !BreaksOut(size)
            ?
            [
                .. Enum.GetValues<SizeRole>()
                    .Where(r => !BreaksOut(new FigureSize.ByRole(r)) && InColumn(r)[c] == InColumn(own)[c]),
            ]
            : [];

    /// <summary>Whether a figure of this size may stand wider than the column of text.</summary>
    public bool BreaksOut(FigureSize size) =>
        size switch
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
