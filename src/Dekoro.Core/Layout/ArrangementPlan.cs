using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Core.Layout;

/// <summary>Where the pictures of an arrangement stand on a page, on every class of screen.</summary>
/// <param name="Figures">Those that visitors see, in the running order.</param>
/// <param name="Room">The arrangement's own inline size at every viewport.</param>
/// <param name="Layouts">Their boxes, by number in <paramref name="Figures"/>.</param>
/// <param name="BelowPx">Room kept below each picture for its caption, CSS px.</param>
public sealed record ArrangementPlan(
    ResolvedArrangement Block,
    ImmutableArray<FigureBlock> Figures,
    SlotWidth Room,
    PerClass<GalleryLayout> Layouts,
    double BelowPx,
    PageLayout Page
)
{
    /// <summary>Where no file says how large a picture is.</summary>
    private const double UsualPx = 600;

    /// <summary>Of each picture, width over height.</summary>
    private ImmutableArray<double> Shapes { get; init; }

    /// <summary>How it shows its pictures at once.</summary>
    public Gallery Gallery => Block.Arrangement.Gallery;

    /// <summary>Whether it shows all its pictures at once.</summary>
    public bool IsGallery => Block.Arrangement.Kind == ArrangementKind.Gallery;

    /// <summary>
    /// Beside words over a slide; between arrows at its sides and words; lines of words are no longer than this. CSS
    /// px.
    /// </summary>
    public const double WordsPaddingPx = 20,
        ArrowsGapPx = 24,
        WordsMostPx = 560;

    /// <summary>How words over slides are set: as in a band where one is seen at a time.</summary>
    public Setting WordsSetting => Block.Arrangement.Kind == ArrangementKind.Slider ? Setting.Band : Setting.Cell;

    /// <summary>From a slide's sides to its words, CSS px.</summary>
    public double WordsInsetPx(WidthClass c) =>
        Block.Arrangement.Slider.Arrows == ArrowsAt.Inside && !WordsBelow[c]
            ? Controls.ArrowPx + ArrowsGapPx
            : WordsPaddingPx;

    /// <summary>Room at the foot of a slide for the steps that stand inside it, below words over it, CSS px.</summary>
    public double WordsFootPx(WidthClass c) =>
        StepsStandInside(c) && !WordsBelow[c] ? StepsInsidePx(Controls) + WordsPaddingPx : WordsPaddingPx;

    /// <summary>
    /// Where the words of one of the slides do not fit over it, or would lie over what plays there: there the words of
    /// all stand below.
    /// </summary>
    public PerClass<bool> WordsBelow { get; private init; }

    private bool HasVideos => Figures.Any(f => f.Video is not null);

    private bool HasWordsOverVideo =>
        Figures.Any(f => f.Video is not null && Block.Slides.Any(s => s.FigureId == f.Id));

    /// <summary>Where words stand below, and why; null where all stand over their slides.</summary>
    public string? WordsBelowInWords =>
        WidthClasses.All.Where(c => WordsBelow[c]).ToList() is not { Count: > 0 } on ? null
        : HasWordsOverVideo ? "They stand below: some of them would lie over a video and its buttons."
        : $"On {WidthClasses.InWords(on)} they stand below: over the pictures they find no room.";

    /// <summary>Room below the slides for their words, CSS px; none where they stand over them.</summary>
    public double WordsPx(WidthClass c, double widthPx) =>
        !WordsBelow[c]
            ? 0
            : Block.Slides.Max(s =>
                PageFlow.HeightOf(
                    s.Blocks,
                    WordsSetting,
                    WordsRoomPx(Layouts[c].Boxes[0].WidthAt(widthPx), WordsPaddingPx),
                    Page
                )
            )
                + 2 * WordsPaddingPx;

    /// <summary>How wide words over a slide may be, in CSS px.</summary>
    public static double WordsRoomPx(double slidePx, double insetPx) =>
        Math.Clamp(slidePx - 2 * insetPx, 1, WordsMostPx);

    /// <summary>Where words are highest against their slide: on a class's narrowest screen.</summary>
    private bool HasWordsTooHighFor(WidthClass c)
    {
        var slide = Layouts[c].Boxes[0];
        var width = slide.WidthAt(NarrowAt(c));
        return Block.Slides.Any(s =>
            PageFlow.HeightOf(s.Blocks, WordsSetting, WordsRoomPx(width, WordsInsetPx(c)), Page)
                + WordsPaddingPx
                + WordsFootPx(c)
            > width / slide.Shape
        );
    }

    /// <summary>
    /// Round the buttons below; how wide they are with the count, for each px they are high; between them and a row of
    /// steps. CSS px.
    /// </summary>
    private const double ButtonsGapPx = 16,
        ButtonsWidePx = 340.0 / 32,
        RowGapPx = 4;

    /// <summary>Round steps that stand over the pictures, and from them to the pictures' foot, CSS px.</summary>
    public const double PlatePx = 4,
        PlateFootPx = 8;

    /// <summary>From the pictures' sides to arrows over them, CSS px.</summary>
    public const double ArrowInsetPx = 10;

    private SliderControls Controls => Slider.Controls;

    /// <summary>How far up from the pictures' foot steps reach that stand over them, CSS px.</summary>
    public static double StepsInsidePx(SliderControls controls) => controls.DotPx + 2 * PlatePx + PlateFootPx;

    /// <summary>
    /// Whether the steps stand over the pictures: where one line holds them on the narrowest screen of a class, and no
    /// video has its buttons there. Small pictures never do.
    /// </summary>
    public bool StepsStandInside(WidthClass c) =>
        Controls.StepsInside
        && !HasVideos
        && Slider.Steps == Indicators.Dots
        && Stops[c].Length > 1
        && Stops[c].Length * Controls.DotPx + 4 * PlatePx <= NarrowAt(c);

    /// <summary>
    /// How many of the first show after the last where it goes on from its end: as many as are in view, and what shows
    /// of the next.
    /// </summary>
    public int Again =>
        !Slider.Loops || IsGallery
            ? 0
            : Math.Min(Figures.Length, WidthClasses.All.Max(c => Block.Arrangement.InView[c]) + 1);

    private Slider Slider => Block.Arrangement.Slider;

    /// <summary>How wide and high what leads to one stop is, CSS px.</summary>
    private double StepPx =>
        Slider.Steps switch
        {
            Indicators.Dots => Controls.DotPx,
            Indicators.Pictures => Controls.PicturePx,
            _ => 0,
        };

    /// <summary>Whether the steps find no room beside the buttons, on the narrowest screen of a class.</summary>
    public bool DotsStandBelow(WidthClass c) =>
        Slider.Steps != Indicators.None
        && !StepsStandInside(c)
        && Stops[c].Length * StepPx > NarrowAt(c) - ButtonsWidePx * Controls.ButtonPx;

    /// <summary>Room below a slider for its buttons and dots, CSS px; none where it does not move.</summary>
    public double BarPx(WidthClass c) =>
        IsGallery || Stops[c].Length < 2
            ? 0
            : Math.Max(
                HasButtons ? Controls.ButtonPx + ButtonsGapPx : 0,
                DotsStandBelow(c) || StepsStandInside(c) ? 0 : StepPx
            )
                + (
                    DotsStandBelow(c)
                        ? RowGapPx
                            + StepPx * Math.Ceiling(Stops[c].Length / Math.Max(1, Math.Floor(NarrowAt(c) / StepPx)))
                        : 0
                );

    private bool HasButtons => Slider.Arrows == ArrowsAt.Below || Slider.PlaysItself || Slider.Counter;

    /// <summary>Room for one row of links to the other parts of a gallery, CSS px.</summary>
    private const double PageLinksPx = 52;

    /// <summary>Room above and below for the links to its other parts, CSS px.</summary>
    private double SheetsPx =>
        Block.Sheets < 2 ? 0
        : Block.Arrangement.Paging!.Links == PageLinksAt.Both ? 2 * PageLinksPx
        : PageLinksPx;

    private double NarrowAt(WidthClass c) => Room.At(Math.Max(Screens.NarrowestPx, Page.Style.Classes.FromPx(c)));

    /// <summary>Which pictures each stop begins with, on each class.</summary>
    public PerClass<ImmutableArray<int>> Stops =>
        new PerClass<int>().Select((c, _) => Block.Arrangement.StopsOn(c, Figures.Length));

    /// <returns>Null where there is nothing to show.</returns>
    public static ArrangementPlan? Of(
        ResolvedArrangement block,
        Func<FigureBlock, PictureFacts?> pictureOf,
        PageLayout page
    )
    {
        var set = block.Arrangement;
        if (block.Pictures is not { IsEmpty: false } figures)
            return null;
        var room = page.SlotOf(new FigureSize.ByRole(block.Reach));
        var pictures = figures.Select(pictureOf).ToList();
        var shapes = figures
            .Zip(pictures, (f, p) =>
                (p is null ? f.Cut.Shape ?? AspectRatio.Usual : Placed.CutOf(f.Cut, p).Shape).Value
            )
            .ToList();
        var own = pictures.Select(p => set.Gallery.OwnPx(p?.Size.Width ?? UsualPx)).ToList();
        var below =
            set.Kind == ArrangementKind.Gallery && set.Gallery.Captions == CaptionPlace.Below
                ? TypeScale.CaptionSpacePx + set.Gallery.CaptionLines * TypeScale.Caption.LinePx
                : 0;
        var belows = Enumerable.Repeat(below, figures.Length).ToList();
        var classes = page.Style.Classes;
        var layouts = new PerClass<int>().Select(
            (c, _) =>
            {
                var next = c == WidthClass.Desktop ? Screens.WidestPx : classes.FromPx(c + 1) - 1;
                if (set.Kind != ArrangementKind.Gallery)
                    return GalleryLayout.Row(
                        figures.Length,
                        set.InView[c],
                        set.Slider.GutterPx,
                        set.Slider.Shape.Value,
                        set.Slider.PeekPx
                    );
                return GalleryLayout.Of(
                    set.Gallery,
                    c,
                    shapes,
                    own,
                    belows,
                    (
                        room.At(Math.Max(Screens.NarrowestPx, classes.FromPx(c))),
                        room.At(classes.ReferencePx[c]),
                        room.At(next)
                    )
                );
            }
        );
        var plan = new ArrangementPlan(block, figures, room, layouts, below, page) { Shapes = [.. shapes] };
        return plan with
        {
            WordsBelow = new PerClass<int>().Select((c, _) => plan.HasWordsOverVideo || plan.HasWordsTooHighFor(c)),
        };
    }

    /// <summary>Every picture with its width at every viewport.</summary>
    public IEnumerable<Placement> Placements =>
        Figures
            .Select(
                (figure, i) =>
                    new Placement(
                        figure,
                        Page,
                        new(true, true, true),
                        SlotWidth.PerClass(
                            Layouts.Select(
                                (_, layout) =>
                                    layout.Boxes[i] is var box
                                        ? Framed(
                                            Capped(Room.Within(box.PictureShare * box.Width), box.MostPx),
                                            Shapes[i]
                                        )
                                        : Room
                            ),
                            Page.Style.Classes
                        ),
                        null
                    )
            )
            .Concat(
                Block.StepFigures.Select(step => new Placement(
                    step,
                    Page,
                    new(true, true, true),
                    SlotWidth.Of(Controls.PicturePx),
                    null
                ))
            );

    private FrameStyle Frame => Page.Style.LookOf(Block.Arrangement.FrameStyle);

    private SlotWidth Framed(SlotWidth box, double shape) =>
        box.Framed(Frame.EdgePx, Frame.PaddingPx, FrameStyle.MostPaddingOf(shape));

    /// <summary>Where border and padding leave less than half of the smallest picture's shorter side.</summary>
    public IEnumerable<WidthClass> FramedTooMuchOn =>
        Frame.FramePx == 0
            ? []
            : WidthClasses.All.Where(c =>
                Layouts[c].Boxes.Min(box => box.PictureShare * box.WidthAt(NarrowAt(c)) / Math.Max(1, Shapes[box.Item]))
                    is var least
                && Framed(SlotWidth.Of(least), 1).At(0) < least / 2
            );

    /// <summary>
    /// Of a slider, the pictures in view together: width over height, at the class's reference width.
    /// </summary>
    public double PicturesShape(WidthClass c)
    {
        var (room, slide) = (Room.At(Page.Style.Classes.ReferencePx[c]), Layouts[c].Boxes[0]);
        return room / (slide.WidthAt(room) / slide.Shape);
    }

    /// <summary>Its height at a width of its box, in CSS px.</summary>
    public double HeightAt(WidthClass c, double widthPx) =>
        Layouts[c].HeightAt(widthPx, [.. Figures.Select(_ => BelowPx)]) + WordsPx(c, widthPx) + BarPx(c) + SheetsPx;

    /// <summary>The boxes at a width of the arrangement, from its top left; captions not counted in.</summary>
    public IEnumerable<(FigureBlock Figure, BoxPx Box)> BoxesAt(WidthClass c, double widthPx)
    {
        var layout = Layouts[c];
        var columns = layout.ColumnWidths;
        var lines = new Dictionary<int, (double Left, double Top)>();
        var (top, last, left, lowest) = (0.0, 0, 0.0, 0.0);
        foreach (var box in layout.Boxes)
        {
            var (width, height) = (box.WidthAt(widthPx), box.WidthAt(widthPx) / box.Shape);
            if (columns.IsEmpty)
            {
                if (box.Line != last)
                    (top, last, left, lowest) = (top + lowest + layout.GutterPx, box.Line, 0, 0);
                left += box.Before.At(widthPx);
                yield return (Figures[box.Item], new(left, top, width, height));
                (left, lowest) = (left + width + layout.BetweenPx, Math.Max(lowest, height + BelowPx));
            }
            else
            {
                var at = lines.GetValueOrDefault(
                    box.Line,
                    (columns.Take(box.Line).Sum(w => w.At(widthPx) + layout.GutterPx), 0)
                );
                yield return (Figures[box.Item], new(at.Item1, at.Item2, width, height));
                lines[box.Line] = (at.Item1, at.Item2 + height + BelowPx + layout.GutterPx);
            }
        }
    }

    private static SlotWidth Capped(SlotWidth slot, double mostPx) =>
        double.IsInfinity(mostPx) ? slot : slot.Cap(mostPx);
}
