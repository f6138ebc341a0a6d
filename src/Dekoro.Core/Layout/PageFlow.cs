using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Core.Layout;

/// <summary>
/// About how far down a page each piece stands and how high it is: words by the metrics of the site's faces, pictures
/// by their slots. From it come what lies in the first screen, how high bands are, and what lies under words.
/// </summary>
public sealed class PageFlow
{
    /// <summary>Bar, title and the space around them, CSS px.</summary>
    private const double HeadPx = 190;

    /// <summary>The bar alone, CSS px.</summary>
    public const double BarPx = 56;

    /// <summary>The space above the pieces of a page, CSS px.</summary>
    private const double ColumnPaddingPx = 40;

    private readonly List<Laid> _laid = [];
    private string? _over;
    private double _until;
    private readonly PageLayout _layout;
    private readonly WidthClass _class;
    private readonly Func<FigureBlock, PictureFacts?> _pictureOf;
    private readonly Func<ResolvedArrangement, ArrangementPlan?> _setOf;
    private readonly double _viewport;

    private PageFlow(
        PageLayout layout,
        WidthClass c,
        Func<FigureBlock, PictureFacts?> pictureOf,
        Func<ResolvedArrangement, ArrangementPlan?> setOf
    )
    {
        (_layout, _class, _pictureOf, _setOf) = (layout, c, pictureOf, setOf);
        _viewport = layout.Style.Classes.ReferencePx[c];
    }

    /// <summary>Every piece of a page, at a class's reference width; what stands in a piece follows it.</summary>
    /// <param name="pictureOf">Null where nothing is known of a picture: it is then taken to be 3:2.</param>
    /// <param name="setOf">Where the pictures of an arrangement stand; null where it shows none.</param>
    /// <param name="untilPx">What begins further down need not be laid.</param>
    public static ImmutableArray<Laid> Of(
        Document page,
        Func<FigureBlock, PictureFacts?> pictureOf,
        PageLayout layout,
        WidthClass c,
        Func<ResolvedArrangement, ArrangementPlan?> setOf,
        double untilPx = double.PositiveInfinity
    )
    {
        var flow = new PageFlow(layout, c, pictureOf, setOf) { _until = untilPx };
        var column = layout.Column.At(flow._viewport);
        var (top, pieces) = page.Blocks is [BandBlock { IsBanner: true } banner, .. var own]
            ? (flow.Banner(banner), own)
            : (HeadPx, page.Blocks);
        flow.Stack(
            pieces,
            Setting.Column,
            new BoxPx((flow._viewport - column) / 2, top, column, 0),
            HorizontalAlign.Left,
            null
        );
        return [.. flow._laid];
    }

    /// <param name="room">Where they begin and how wide they may be.</param>
    /// <param name="cell">Width of the cell they stand in; null elsewhere.</param>
    /// <returns>Where the last one ends, without the space after it.</returns>
    private double Stack(IEnumerable<Block> blocks, Setting setting, BoxPx room, HorizontalAlign across, double? cell)
    {
        var at = new Standpoint(room.Top, 0, 0);
        var (space, first, before) = (0.0, true, (Block?)null);
        foreach (var block in blocks.Where(IsSeen).Select(b => b is FigureBlock one ? one.On(_class) : b))
        {
            // Only between the pieces of the page: how high a band is takes all that stands in it.
            if (setting == Setting.Column && at.Y > _until)
                break;
            var style = TypeScale.Of(block, _layout.Style, setting);
            var isJoined = first || (before is BandBlock && block is BandBlock);
            var above = before is ParagraphBlock { IsSmall: true } ? 0 : style.BeforePx;
            at = at with { Y = at.Y + (isJoined ? 0 : Math.Max(space, above)) };
            if (block is FigureBlock figure && _layout.BesideOf(figure)[_class] && cell is null)
                (at, space) = (Beside(figure, at, setting, room.Left), 0);
            else
                (at, space) = (
                    at with
                    {
                        Y = Under(block, at, style, new(setting, room, across, cell)),
                    },
                    IsPlaced(block) ? TypeScale.BetweenPx(setting) : style.AfterPx
                );
            (first, before) = (false, block);
        }
        return Math.Max(at.Y, at.FloatUntil);
    }

    /// <summary>How far down the pieces have come, and how far a picture beside them reaches.</summary>
    private readonly record struct Standpoint(double Y, double FloatUntil, double FloatWidth)
    {
        public double Below => Math.Max(Y, FloatUntil);
    }

    /// <summary>Where pieces stand one under the other.</summary>
    private readonly record struct Stacked(Setting Setting, BoxPx Room, HorizontalAlign Across, double? Cell);

    private bool IsSeen(Block block) =>
        block switch
        {
            ResolvedArrangement set => !set.Pictures.IsEmpty,
            FigureBlock figure => !figure.IsEmpty && !figure.IsHiddenOn(_class),
            _ => true,
        };

    private static bool IsPlaced(Block block) =>
        block is FigureBlock or ColumnsBlock or BandBlock or FilesBlock or ResolvedArrangement;

    /// <summary>A picture with words beside it: what follows begins where it does.</summary>
    private Standpoint Beside(FigureBlock figure, Standpoint at, Setting setting, double left)
    {
        var wide = _layout.SlotOf(figure.Size).At(_viewport);
        return new(at.Y, Figure(figure, left, at.Y, wide) + TypeScale.BetweenPx(setting), wide);
    }

    /// <returns>Where the piece ends.</returns>
    private double Under(Block block, Standpoint at, TextStyle style, Stacked where)
    {
        var (setting, room, across, cell) = where;
        switch (block)
        {
            case BandBlock band:
                return Band(band, at.Below);
            case ColumnsBlock columns:
                return Rows(columns, at.Below, across);
            case FigureBlock figure:
                return Figure(figure, room.Left, at.Below, cell ?? _layout.SlotOf(figure.Size).At(_viewport));
            case ResolvedArrangement set:
                return Set(set, at.Below);
            case FilesBlock files:
                return Files(files, room with { Top = at.Below, Width = cell ?? room.Width });
            default:
                var narrowed = at.Y < at.FloatUntil ? at.FloatWidth + _layout.Style.GutterPx : 0;
                return Words(block, style, room with { Top = at.Y, Width = room.Width - narrowed }, across, setting);
        }
    }

    /// <returns>Where the page's own pieces begin below it.</returns>
    private double Banner(BandBlock banner)
    {
        var holdsTitle = banner.Blocks.Any(b => b is HeadingBlock { Level: ResolvedPage.PageTitleLevel });
        return Band(banner, BarPx) + (holdsTitle ? ColumnPaddingPx : HeadPx - BarPx);
    }

    private double Band(BandBlock band, double top)
    {
        var (at, padding) = (_laid.Count, PageLayout.BandPaddingPx);
        var column = _layout.Column.At(_viewport);
        var here = band.On(_class);
        _over = band.Id;
        var inside =
            Stack(here.Blocks, Setting.Band, new((_viewport - column) / 2, top + padding, column, 0), here.Across, null)
            - top
            - padding;
        _over = null;
        var height = Math.Max(band.LeastHeightPx[_class], inside + 2 * padding);
        MoveDown(at, _laid.Count, here.Down, height - inside - 2 * padding);
        _laid.Insert(at, new(band, new(0, top, _viewport, height), null, [], null));
        return top + height;
    }

    /// <summary>What was laid between the two goes down by its part of the room that is free.</summary>
    private void MoveDown(int since, int until, VerticalAlign where, double free)
    {
        var down = where switch
        {
            VerticalAlign.Top => 0,
            VerticalAlign.Middle => free / 2,
            _ => free,
        };
        for (var i = since; down > 0 && i < until; i++)
            _laid[i] = Moved(_laid[i], down);
    }

    private double Rows(ColumnsBlock columns, double top, HorizontalAlign across)
    {
        var (inRow, gutter) = (PageLayout.InRow(columns.InRow)[_class], _layout.Style.GutterPx);
        var width = _layout.CellOf(columns.InRow, columns.Extent).At(_viewport);
        var left = (_viewport - (columns.Extent == Extent.Wide ? _layout.Wide : _layout.Column).At(_viewport)) / 2;
        var at = _laid.Count;
        var y = top;
        foreach (var row in columns.Cells.Chunk(inRow))
        {
            if (y > top)
                y += gutter;
            var (from, places) = (y, new List<(CellBlock Cell, double Left, int At, double Inside)>());
            for (var i = 0; i < row.Length; i++)
            {
                var (cell, cellLeft, padding, outer) = (
                    row[i],
                    left + i * (width + gutter),
                    PageLayout.PaddingOf(row[i]),
                    _over
                );
                if (cell.HasBackdrop)
                    _over = cell.Id;
                places.Add(
                    (
                        cell,
                        cellLeft,
                        _laid.Count,
                        Stack(
                            cell.Blocks,
                            Setting.Cell,
                            new(cellLeft + padding, from + padding, width - 2 * padding, 0),
                            cell.HasBackdrop ? columns.Across : across,
                            width - 2 * padding
                        )
                            - from
                            + padding
                    )
                );
                _over = outer;
            }
            var height = Math.Max(columns.LeastHeightPx[_class], places.Max(p => p.Inside));
            // From the last on: what is put in moves no place that is still to come.
            var until = _laid.Count;
            foreach (var (cell, cellLeft, since, inside) in Enumerable.Reverse(places))
            {
                if (cell.HasBackdrop)
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
        var shape = picture is null
            ? (figure.Cut.Shape ?? AspectRatio.Usual).Value
            : Placed.CutOf(figure.Cut, picture).Shape.Value;
        var framePx = _layout.Style.LookOf(figure.FrameStyle).FramePx;
        var height = Math.Max(1, width - framePx) / shape + framePx;
        var caption = picture is null ? "" : Placed.CaptionOf(figure, picture);
        if (caption.Length > 0)
        {
            var style = TypeScale.Caption;
            height +=
                TypeScale.CaptionSpacePx
                + style.LinePx * LineBreaking.LinesOf([new TextRun(caption)], width, style, _layout.Style.Face).Length;
        }
        _laid.Add(new(figure, new(left, top, width, height), null, [], _over));
        return top + height;
    }

    /// <returns>Where the words end.</returns>
    private double Words(Block block, TextStyle style, BoxPx room, HorizontalAlign across, Setting setting)
    {
        switch (block)
        {
            case ButtonBlock b:
                return Button(b, style, room);
            case RuleBlock:
                return room.Top + TypeScale.RulePx;
            default:
                var (indent, inside) = TypeScale.Inside(block, style, setting);
                return block.Children().Any()
                    ? Within(block.Children(), inside, Narrowed(room, indent), setting, across)
                    : Lines(block, block.Line, style, room, across);
        }
    }

    /// <summary>What stands in a list or quote; the space after its last line is its own.</summary>
    private double Within(
        IEnumerable<Block> blocks,
        TextStyle style,
        BoxPx room,
        Setting setting,
        HorizontalAlign across
    )
    {
        var y = room.Top;
        foreach (var block in blocks)
            y = Words(block, style, room with { Top = y }, across, setting) + (block.Line.IsEmpty ? 0 : style.AfterPx);
        return y;
    }

    private static BoxPx Narrowed(BoxPx room, double px) =>
        room with
        {
            Left = room.Left + px,
            Width = room.Width - px,
        };

    private double Lines(
        Block block,
        ImmutableArray<Inline> inlines,
        TextStyle style,
        BoxPx room,
        HorizontalAlign across
    )
    {
        var face = _layout.Style.Face.Of(style.Weight, style.Italic);
        // Browsers take whole px for what rises above a line's baseline and falls below it, and for the space above.
        var (content, y) = (
            Math.Round(face.AscentEm * style.SizePx) + Math.Round(face.DescentEm * style.SizePx),
            room.Top
        );
        var lines = ImmutableArray.CreateBuilder<BoxPx>();
        foreach (
            var width in LineBreaking.LinesOf(inlines, Math.Max(1, room.Width), style, _layout.Style.Face, one =>
                Math.Min(Math.Max(1, room.Width), WidthOf(one, style))
            )
        )
        {
            var free = room.Width - width;
            lines.Add(
                new(
                    room.Left
                        + across switch
                        {
                            HorizontalAlign.Left => 0,
                            HorizontalAlign.Centre => free / 2,
                            _ => free,
                        },
                    y + Math.Floor((style.LinePx - content) / 2),
                    width,
                    content
                )
            );
            y += style.LinePx;
        }
        _laid.Add(new(block, new(room.Left, room.Top, room.Width, y - room.Top), style, lines.ToImmutable(), _over));
        return y;
    }

    /// <summary>The pictures of an arrangement, each in its box.</summary>
    private double Set(ResolvedArrangement block, double top)
    {
        if (_setOf(block) is not { } plan)
            return top;
        var width = plan.Room.At(_viewport);
        var left = (_viewport - width) / 2;
        _laid.Add(new(block, new(left, top, width, plan.HeightAt(_class, width)), null, [], _over));
        var words = block.Slides.ToDictionary(s => s.FigureId);
        foreach (var (figure, box) in plan.BoxesAt(_class, width))
        {
            var at = box with { Left = left + box.Left, Top = top + box.Top };
            // What lies beyond the end of a row of slides is not in view; its words are read all the same.
            if (box.Left < width)
                _laid.Add(new(figure, at, null, [], _over));
            if (words.GetValueOrDefault(figure.Id) is { } slide)
                WordsOver(slide, plan, at);
        }
        return top + plan.HeightAt(_class, width);
    }

    /// <summary>The words of a slide: over it, or below where they find no room on it.</summary>
    private void WordsOver(SlideBlock slide, ArrangementPlan plan, BoxPx box)
    {
        var (outer, at, inset) = (_over, _laid.Count, plan.WordsInsetPx(_class));
        if (plan.WordsBelow[_class])
            (_over, box) = (null, box with { Top = box.Top + box.Height });
        else
            _over = slide.Id;
        var wide = ArrangementPlan.WordsRoomPx(box.Width, inset);
        var free = box.Width - 2 * inset - wide;
        var top = box.Top + ArrangementPlan.WordsPaddingPx;
        var left =
            box.Left
            + inset
            + slide.Across switch
            {
                HorizontalAlign.Left => 0,
                HorizontalAlign.Centre => free / 2,
                _ => free,
            };
        var end = Stack(slide.Blocks, plan.WordsSetting, new(left, top, wide, 0), slide.Across, wide);
        if (!plan.WordsBelow[_class])
            MoveDown(at, _laid.Count, slide.Down, box.Height - 2 * ArrangementPlan.WordsPaddingPx - (end - top));
        _over = outer;
        _laid.Insert(at, new(slide, box, null, [], _over));
    }

    /// <summary>How high pieces of words stand in a place so wide, CSS px.</summary>
    public static double HeightOf(ImmutableArray<Block> blocks, Setting setting, double widthPx, PageLayout layout) =>
        new PageFlow(layout, WidthClass.Phone, _ => null, _ => null) { _until = double.PositiveInfinity }.Stack(
            blocks,
            setting,
            new(0, 0, widthPx, 0),
            HorizontalAlign.Left,
            widthPx
        );

    /// <summary>A row for each file, and one above that says what they are.</summary>
    private double Files(FilesBlock files, BoxPx room)
    {
        var wide = Math.Max(1, room.Width - TypeScale.FileTypePx - TypeScale.FileSizePx);
        var rows = files
            .Files.Select(f =>
                LineBreaking.LinesOf([new TextRun(f.Words ?? "File")], wide, TypeScale.File, _layout.Style.Face).Length
            )
            .Prepend(1);
        var height = rows.Sum(lines => lines * TypeScale.File.LinePx + 2 * TypeScale.FileBlockPx + TypeScale.RulePx);
        _laid.Add(new(files, room with { Height = height }, null, [], _over));
        return room.Top + height;
    }

    private double WidthOf(LinePicture one, TextStyle style) =>
        TypeScale.InLinePx(((FigureSize.InLine)one.Figure.Size).Height, style)
        * (_pictureOf(one.Figure)?.Size.Shape ?? AspectRatio.Usual).Value;

    /// <summary>Its words stand on a colour of its own, never on what lies behind.</summary>
    private double Button(ButtonBlock button, TextStyle style, BoxPx room)
    {
        var inside = Math.Max(1, room.Width - 2 * (TypeScale.ButtonInlinePx + TypeScale.ButtonLinePx));
        var height =
            LineBreaking.LinesOf([new TextRun(button.Text)], inside, style, _layout.Style.Face).Length * style.LinePx
            + 2 * (TypeScale.ButtonBlockPx + TypeScale.ButtonLinePx);
        _laid.Add(new(button, room with { Height = height }, style, [], _over));
        return room.Top + height;
    }

    private static Laid Moved(Laid laid, double down) =>
        laid with
        {
            Box = laid.Box with { Top = laid.Box.Top + down },
            Lines = [.. laid.Lines.Select(line => line with { Top = line.Top + down })],
        };
}
