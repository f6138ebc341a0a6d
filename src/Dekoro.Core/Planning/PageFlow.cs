using System.Collections.Immutable;
using Dekoro.Core.Documents;
using Dekoro.Core.Library;
using Dekoro.Core.Typography;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>A box in CSS px, from the top left of the page's content.</summary>
public readonly record struct BoxPx(double Left, double Top, double Width, double Height)
{
    /// <summary>Whole squares over it, the last ones reaching a little over its ends.</summary>
    public IEnumerable<BoxPx> Squares(double sidePx)
    {
        for (var y = 0.0; y < Height; y += sidePx)
        {
            for (var x = 0.0; x < Width; x += sidePx) yield return new(Left + x, Top + y, sidePx, sidePx);
        }
    }
}

/// <summary>A piece where it comes to stand.</summary>
/// <param name="Box">Its own, without the space around it.</param>
/// <param name="Style">How its words are set; null for what has none.</param>
/// <param name="Lines">The content area of each line of its words.</param>
/// <param name="Over">The band or cell whose ground it stands over; null on the page's own paper.</param>
public sealed record Laid(Block Block, BoxPx Box, TextStyle? Style, ImmutableArray<BoxPx> Lines, string? Over);

/// <summary>
/// Where the pieces of one page come to stand on each class of screen, worked out when it is asked for and no further: what lies
/// in the first screen, and what stands over grounds.
/// </summary>
public sealed class LaidPage(Document page, Func<FigureBlock, PictureFacts?> pictureOf, PageLayout layout)
{
    private readonly Dictionary<string, PerClass<ImmutableArray<Laid>>> _within = [];
    private readonly Dictionary<string, SetPlan> _sets = [];

    public Document Page => page;

    /// <summary>Where the pictures of an arrangement stand; null where it is no more or shows none.</summary>
    public SetPlan? SetOf(ArrangementBlock block)
    {
        if (!_sets.TryGetValue(block.Id, out var plan) && SetPlan.Of(block, pictureOf, layout) is { } made) _sets[block.Id] = plan = made;
        return plan;
    }

    /// <summary>The pieces that begin in a class's first screen; of the others not all.</summary>
    public IEnumerable<Laid> InFirstScreen(WidthClass c) => PageFlow.Of(page, pictureOf, layout, c, SetOf, layout.Style.FirstScreenPx[c]).Where(l => l.Box.Top < layout.Style.FirstScreenPx[c]);

    /// <summary>A band or cell, or the columns that hold it, with all that stands in them, from their own top.</summary>
    public ImmutableArray<Laid> Within(string groundedId, WidthClass c)
    {
        var top = page.Blocks.First(b => b.Id == groundedId || GroundedIn(b).Any(g => g.Id == groundedId));
        if (!_within.TryGetValue(top.Id, out var laid))
            _within[top.Id] = laid = new PerClass<int>().Select((on, _) => PageFlow.Of(new Document([top]), pictureOf, layout, on, SetOf));
        return laid[c];
    }

    public BoxPx BoxOf(string groundedId, WidthClass c) => Within(groundedId, c).First(l => l.Block.Id == groundedId).Box;

    public PerClass<double> HeightsOf(string groundedId) => new PerClass<int>().Select((c, _) => BoxOf(groundedId, c).Height);

    private static IEnumerable<GroundedBlock> GroundedIn(Block block) => new Document([block]).Grounded;
}

/// <summary>
/// About how far down a page each piece stands and how high it is: words by the metrics of the site's faces, pictures by their
/// slots. From it come what lies in the first screen, how high bands are, and what lies under words.
/// </summary>
public sealed class PageFlow
{
    /// <summary>Bar, title and the space around them, CSS px.</summary>
    private const double HeadPx = 190;

    private readonly List<Laid> _laid = [];
    private string? _over;
    private double _until;
    private readonly PageLayout _layout;
    private readonly WidthClass _class;
    private readonly Func<FigureBlock, PictureFacts?> _pictureOf;
    private readonly Func<ArrangementBlock, SetPlan?> _setOf;
    private readonly double _viewport;

    private PageFlow(PageLayout layout, WidthClass c, Func<FigureBlock, PictureFacts?> pictureOf, Func<ArrangementBlock, SetPlan?> setOf)
    {
        (_layout, _class, _pictureOf, _setOf) = (layout, c, pictureOf, setOf);
        _viewport = layout.Style.Classes.ReferencePx[c];
    }

    /// <summary>Every piece of a page, at a class's reference width; what stands in a piece follows it.</summary>
    /// <param name="pictureOf">Null where nothing is known of a picture: it is then taken to be 3:2.</param>
    /// <param name="setOf">Where the pictures of an arrangement stand; null where it shows none.</param>
    /// <param name="untilPx">What begins further down need not be laid.</param>
    public static ImmutableArray<Laid> Of(Document page, Func<FigureBlock, PictureFacts?> pictureOf, PageLayout layout, WidthClass c, Func<ArrangementBlock, SetPlan?> setOf, double untilPx = double.PositiveInfinity)
    {
        var flow = new PageFlow(layout, c, pictureOf, setOf) { _until = untilPx };
        var column = layout.Column.At(flow._viewport);
        flow.Stack(page.Blocks, Setting.Column, new BoxPx((flow._viewport - column) / 2, HeadPx, column, 0), Side.Left, null);
        return [.. flow._laid];
    }

    /// <param name="room">Where they begin and how wide they may be.</param>
    /// <param name="cell">Width of the cell they stand in; null elsewhere.</param>
    /// <returns>Where the last one ends, without the space after it.</returns>
    private double Stack(IEnumerable<Block> blocks, Setting setting, BoxPx room, Side across, double? cell)
    {
        var (y, space, floatUntil, floatWidth, gutter) = (room.Top, 0.0, 0.0, 0.0, _layout.Style.GutterPx);
        var (first, afterBand) = (true, false);
        foreach (var given in blocks)
        {
            // Only between the pieces of the page: how high a band is takes all that stands in it.
            if (setting == Setting.Column && y > _until) break;
            if (given is ArrangementBlock { Figures.IsEmpty: true }) continue;
            if (given is FigureBlock unseen && (unseen.IsEmpty || unseen.IsHiddenOn(_class))) continue;
            var block = given is FigureBlock one ? one.On(_class) : given;
            var style = TypeScale.Of(block, _layout.Style, setting);
            var before = first ? 0 : afterBand && block is BandBlock ? 0 : Math.Max(space, style.BeforePx);
            (first, afterBand, space) = (false, block is BandBlock, block is FigureBlock or ColumnsBlock or BandBlock or FilesBlock or ArrangementBlock ? TypeScale.BetweenPx(setting) : style.AfterPx);
            var top = y + before;
            switch (block)
            {
                case BandBlock band:
                    y = Band(band, Math.Max(top, floatUntil));
                    break;
                case ColumnsBlock columns:
                    y = Rows(columns, Math.Max(top, floatUntil), across);
                    break;
                case FigureBlock figure when _layout.BesideOf(figure)[_class] && cell is null:
                    var wide = _layout.SlotOf(figure.Size).At(_viewport);
                    floatUntil = Figure(figure, room.Left, top, wide) + TypeScale.BetweenPx(setting);
                    (floatWidth, y, space) = (wide, top, 0);
                    break;
                case FigureBlock figure:
                    y = Figure(figure, room.Left, Math.Max(top, floatUntil), cell ?? _layout.SlotOf(figure.Size).At(_viewport));
                    break;
                case ArrangementBlock set:
                    y = Set(set, Math.Max(top, floatUntil));
                    break;
                case FilesBlock files:
                    y = Files(files, room with { Top = Math.Max(top, floatUntil), Width = cell ?? room.Width });
                    break;
                default:
                    var narrowed = top < floatUntil ? floatWidth + gutter : 0;
                    y = Words(block, style, room with { Top = top, Width = room.Width - narrowed }, across, setting);
                    break;
            }
        }
        return Math.Max(y, floatUntil);
    }

    private double Band(BandBlock band, double top)
    {
        var (at, padding) = (_laid.Count, PageLayout.BandPaddingPx);
        var column = _layout.Column.At(_viewport);
        _over = band.Id;
        var inside = Stack(band.Blocks, Setting.Band, new((_viewport - column) / 2, top + padding, column, 0), band.Across, null) - top - padding;
        _over = null;
        var height = Math.Max(band.LeastHeightPx[_class], inside + 2 * padding);
        MoveDown(at, _laid.Count, band.Down, height - inside - 2 * padding);
        _laid.Insert(at, new(band, new(0, top, _viewport, height), null, [], null));
        return top + height;
    }

    /// <summary>What was laid between the two goes down by its part of the room that is free.</summary>
    private void MoveDown(int since, int until, Down where, double free)
    {
        var down = where switch { Down.Top => 0, Down.Middle => free / 2, _ => free };
        for (var i = since; down > 0 && i < until; i++) _laid[i] = Moved(_laid[i], down);
    }

    private double Rows(ColumnsBlock columns, double top, Side across)
    {
        var (inRow, gutter) = (PageLayout.InRow(columns.InRow)[_class], _layout.Style.GutterPx);
        var width = _layout.CellOf(columns.InRow, columns.Extent).At(_viewport);
        var left = (_viewport - (columns.Extent == Extent.Wide ? _layout.Wide : _layout.Column).At(_viewport)) / 2;
        var at = _laid.Count;
        var y = top;
        foreach (var row in columns.Cells.Chunk(inRow))
        {
            if (y > top) y += gutter;
            var (from, places) = (y, new List<(CellBlock Cell, double Left, int At, double Inside)>());
            for (var i = 0; i < row.Length; i++)
            {
                var (cell, cellLeft, padding, outer) = (row[i], left + i * (width + gutter), PageLayout.PaddingOf(row[i]), _over);
                if (cell.HasGround) _over = cell.Id;
                places.Add((cell, cellLeft, _laid.Count, Stack(cell.Blocks, Setting.Cell, new(cellLeft + padding, from + padding, width - 2 * padding, 0), cell.HasGround ? columns.Across : across, width - 2 * padding) - from + padding));
                _over = outer;
            }
            var height = Math.Max(columns.LeastHeightPx[_class], places.Max(p => p.Inside));
            // From the last on: what is put in moves no place that is still to come.
            var until = _laid.Count;
            foreach (var (cell, cellLeft, since, inside) in Enumerable.Reverse(places))
            {
                if (cell.HasGround)
                {
                    MoveDown(since, until, columns.Down, height - inside);
                    _laid.Insert(since, new(cell, new(cellLeft, from, width, height), null, [], _over));
                }
                until = since;
            }
            y = from + height;
        }
        _laid.Insert(at, new(columns, new(left, top, _viewport - 2 * left, y - top), null, [], _over));
        return y;
    }

    private double Figure(FigureBlock figure, double left, double top, double width)
    {
        var picture = _pictureOf(figure);
        var shape = picture is null ? figure.Cut.Shape?.Value ?? 1.5 : PagePlanner.CutOf(figure.Cut, picture).Shape.Value;
        var framePx = _layout.Style.LookOf(figure.Look).FramePx;
        var height = Math.Max(1, width - framePx) / shape + framePx;
        var caption = picture is null ? "" : PagePlanner.CaptionOf(figure, picture);
        if (caption.Length > 0)
        {
            var style = TypeScale.Caption;
            height += TypeScale.CaptionSpacePx + style.LinePx * LineBreaking.LinesOf([new TextRun(caption)], width, style, _layout.Style.Face).Length;
        }
        _laid.Add(new(figure, new(left, top, width, height), null, [], _over));
        return top + height;
    }

    /// <returns>Where the words end.</returns>
    private double Words(Block block, TextStyle style, BoxPx room, Side across, Setting setting)
    {
        switch (block)
        {
            case ParagraphBlock p: return Lines(block, p.Inlines, style, room, across);
            case HeadingBlock h: return Lines(block, h.Inlines, style, room, across);
            case ButtonBlock b: return Button(b, style, room);
            case ListBlock list:
                var padding = TypeScale.ListPaddingPx(setting);
                return Within(list.Items.SelectMany(item => item), style with { AfterPx = TypeScale.ItemAfterPx }, Narrowed(room, padding), setting, across);
            case QuoteBlock quote:
                var indent = TypeScale.QuotePaddingPx + TypeScale.QuoteBorderPx;
                return Within(quote.Blocks, style with { Italic = true, AfterPx = TypeScale.QuoteAfterPx }, Narrowed(room, indent), setting, across);
            default: return room.Top + TypeScale.RulePx;
        }
    }

    /// <summary>What stands in a list or quote; the space after its last line is its own.</summary>
    private double Within(IEnumerable<Block> blocks, TextStyle style, BoxPx room, Setting setting, Side across)
    {
        var y = room.Top;
        foreach (var block in blocks) y = Words(block, style, room with { Top = y }, across, setting) + (block is ParagraphBlock or HeadingBlock ? style.AfterPx : 0);
        return y;
    }

    private static BoxPx Narrowed(BoxPx room, double px) => room with { Left = room.Left + px, Width = room.Width - px };

    private double Lines(Block block, ImmutableArray<Inline> inlines, TextStyle style, BoxPx room, Side across)
    {
        var face = _layout.Style.Face.Of(style.Weight, style.Italic);
        // Browsers take whole px for what rises above a line's baseline and falls below it, and for the space above.
        var (content, y) = (Math.Round(face.AscentEm * style.SizePx) + Math.Round(face.DescentEm * style.SizePx), room.Top);
        var lines = ImmutableArray.CreateBuilder<BoxPx>();
        foreach (var width in LineBreaking.LinesOf(inlines, Math.Max(1, room.Width), style, _layout.Style.Face, one => Math.Min(Math.Max(1, room.Width), WidthOf(one, style))))
        {
            var free = room.Width - width;
            lines.Add(new(room.Left + across switch { Side.Left => 0, Side.Centre => free / 2, _ => free }, y + Math.Floor((style.LinePx - content) / 2), width, content));
            y += style.LinePx;
        }
        _laid.Add(new(block, new(room.Left, room.Top, room.Width, y - room.Top), style, lines.ToImmutable(), _over));
        return y;
    }

    /// <summary>The pictures of an arrangement, each in its box.</summary>
    private double Set(ArrangementBlock block, double top)
    {
        if (_setOf(block) is not { } plan) return top;
        var width = plan.Room.At(_viewport);
        var left = (_viewport - width) / 2;
        _laid.Add(new(block, new(left, top, width, plan.HeightAt(_class, width)), null, [], _over));
        var words = block.Slides.ToDictionary(s => s.FigureId);
        foreach (var (figure, box) in plan.BoxesAt(_class, width))
        {
            var at = box with { Left = left + box.Left, Top = top + box.Top };
            // What lies beyond the end of a row of slides is not in view; its words are read all the same.
            if (box.Left < width) _laid.Add(new(figure, at, null, [], _over));
            if (words.GetValueOrDefault(figure.Id) is { } slide) WordsOver(slide, plan, at);
        }
        return top + plan.HeightAt(_class, width);
    }

    /// <summary>The words of a slide: over it, or below where they find no room on it.</summary>
    private void WordsOver(SlideBlock slide, SetPlan plan, BoxPx box)
    {
        var (outer, at, inset) = (_over, _laid.Count, plan.WordsInsetPx(_class));
        if (plan.WordsBelow[_class]) (_over, box) = (null, box with { Top = box.Top + box.Height });
        else _over = slide.Id;
        var wide = SetPlan.WordsRoomPx(box.Width, inset);
        var free = box.Width - 2 * inset - wide;
        var top = box.Top + SetPlan.WordsPaddingPx;
        var left = box.Left + inset + slide.Across switch { Side.Left => 0, Side.Centre => free / 2, _ => free };
        var end = Stack(slide.Blocks, plan.WordsSetting, new(left, top, wide, 0), slide.Across, wide);
        if (!plan.WordsBelow[_class]) MoveDown(at, _laid.Count, slide.Down, box.Height - 2 * SetPlan.WordsPaddingPx - (end - top));
        _over = outer;
        _laid.Insert(at, new(slide, box, null, [], _over));
    }

    /// <summary>How high pieces of words stand in a place so wide, CSS px.</summary>
    public static double HeightOf(ImmutableArray<Block> blocks, Setting setting, double widthPx, PageLayout layout) =>
        new PageFlow(layout, WidthClass.Phone, _ => null, _ => null) { _until = double.PositiveInfinity }.Stack(blocks, setting, new(0, 0, widthPx, 0), Side.Left, widthPx);

    /// <summary>A row for each file, and one above that says what they are.</summary>
    private double Files(FilesBlock files, BoxPx room)
    {
        var wide = Math.Max(1, room.Width - TypeScale.FileTypePx - TypeScale.FileSizePx);
        var rows = files.Files.Select(f => LineBreaking.LinesOf([new TextRun(f.Words ?? "File")], wide, TypeScale.File, _layout.Style.Face).Length).Prepend(1);
        var height = rows.Sum(lines => lines * TypeScale.File.LinePx + 2 * TypeScale.FileBlockPx + TypeScale.RulePx);
        _laid.Add(new(files, room with { Height = height }, null, [], _over));
        return room.Top + height;
    }

    private double WidthOf(LinePicture one, TextStyle style) =>
        TypeScale.InLinePx(((FigureSize.InLine)one.Figure.Size).Height, style) * (_pictureOf(one.Figure)?.Size.Shape.Value ?? 1.5);

    /// <summary>Its words stand on a colour of its own, never on what lies behind.</summary>
    private double Button(ButtonBlock button, TextStyle style, BoxPx room)
    {
        var inside = Math.Max(1, room.Width - 2 * (TypeScale.ButtonInlinePx + TypeScale.ButtonLinePx));
        var height = LineBreaking.LinesOf([new TextRun(button.Text)], inside, style, _layout.Style.Face).Length * style.LinePx + 2 * (TypeScale.ButtonBlockPx + TypeScale.ButtonLinePx);
        _laid.Add(new(button, room with { Height = height }, style, [], _over));
        return room.Top + height;
    }

    private static Laid Moved(Laid laid, double down) => laid with
    {
        Box = laid.Box with { Top = laid.Box.Top + down },
        Lines = [.. laid.Lines.Select(line => line with { Top = line.Top + down })],
    };
}
