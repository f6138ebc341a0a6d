using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>Everything decided about what stands behind the words of a band or cell.</summary>
/// <param name="Behind">The picture behind it, as it is placed; null for none.</param>
/// <param name="Mend">Null where its words are readable as they are, or nothing makes them so.</param>
/// <param name="Under">What lies under its words on each class of screen, without any tint.</param>
public sealed record BackdropPlan(
    BackdropBlock Block,
    FigurePlan? Behind,
    PerClass<BackdropOnClass> On,
    BackdropRemedy? Mend,
    PerClass<ImmutableArray<WordsGround>> Under
)
{
    /// <summary>Pictures that take the place of the one behind, one after the other.</summary>
    public ImmutableArray<Follower> Followers { get; private init; } = [];

    /// <param name="behind">The picture behind and those that follow it; none for a colour alone.</param>
    /// <param name="gridOf">A picture at a few samples; null where it is not measured.</param>
    public static BackdropPlan Of(
        BackdropBlock block,
        ImmutableArray<FigurePlan> behind,
        Func<string, ColourGrid?> gridOf,
        LaidPage page,
        PageLayout layout
    )
    {
        var (ground, first) = (block.Backdrop, behind.FirstOrDefault(f => f.Block.Id == block.FigureId));
        var boxes = new PerClass<int>().Select((c, _) => page.BoxOf(block.Id, c));
        var under = boxes.Select(
            (c, _) => UnderWords(page, block, c, behind, gridOf, Srgb.Parse(layout.Style.Colours.Paper))
        );
        var words = WordsOf(ground.Tone, layout);
        var on = boxes.Select(
            (c, box) =>
                new BackdropOnClass(
                    box.Height,
                    first is null ? null : PositionOf(first, block, c, box),
                    Readability.Of(under[c], words, ground.Tint, ground.TintStrength[c]),
                    first is null ? 0 : KeepUnder(page, first, block, c)
                )
        );
        var isHardToRead = WidthClasses.All.Any(c => on[c].Contrast is { IsEnough: false });
        var stays = block.Followers.ToDictionary(f => f.Figure.Id, f => f.StayMs);
        return new(block, first, on, isHardToRead ? MendOf(ground, under, layout) : null, under)
        {
            Followers =
            [
                .. behind
                    .Where(f => first is not null && stays.ContainsKey(f.Block.Id))
                    .Select(f => new Follower(
                        f,
                        stays[f.Block.Id],
                        boxes.Select((c, box) => PositionOf(f, block, c, box))
                    )),
            ],
        };
    }

    /// <summary>What lies under its words; under every picture that comes to stand there.</summary>
    private static ImmutableArray<WordsGround> UnderWords(
        LaidPage page,
        BackdropBlock block,
        WidthClass c,
        ImmutableArray<FigurePlan> behind,
        Func<string, ColourGrid?> gridOf,
        Srgb paper
    )
    {
        var (box, colour) = (page.BoxOf(block.Id, c), block.Backdrop.Colour ?? paper);
        var said = page.Within(block.Id, c).Where(l => l.Over == block.Id && !l.Lines.IsEmpty).ToList();
        return behind.All(f => f.Block.Id != block.FigureId)
            ? [.. said.Select(l => SampledWords.OnColour(l, colour))]
            :
            [
                .. behind.SelectMany(f =>
                    PictureOn(f, c) is var picture && gridOf(picture.Id) is { } grid
                        ? said.Select(l =>
                            new SampledPicture(picture, WindowOf(picture, block, c, box), grid, colour, box).Under(l)
                        )
                        : []
                ),
            ];
    }

    private static PictureFacts PictureOn(FigurePlan figure, WidthClass c) => (figure.On(c) ?? figure.Main).Picture;

    /// <summary>The part of a picture that fills a box; null where it is laid out in tiles.</summary>
    private static Cut? WindowOf(PictureFacts picture, BackdropBlock block, WidthClass c, BoxPx box) =>
        block.Backdrop.Repeats
            ? null
            : Cut.To(
                AspectRatio.Of(box.Width, box.Height),
                picture.Size,
                block.KeepOn(c, picture.Id) ?? picture.KeepOrMiddle
            );

    /// <summary>How much of what has to be seen lies under lines of words; 0 where nobody said what.</summary>
    private static double KeepUnder(LaidPage page, FigurePlan figure, BackdropBlock block, WidthClass c)
    {
        var (pieces, box) = (page.Within(block.Id, c), page.BoxOf(block.Id, c));
        var picture = PictureOn(figure, c);
        var drawn = block.KeepOn(c, picture.Id) ?? (picture.IsKeepDrawn ? picture.Keep : null);
        if (drawn is not { } keep || WindowOf(picture, block, c, box) is not { } window)
            return 0;
        var (perX, perY) = (box.Width / window.Width, box.Height / window.Height);
        var area = new BoxPx(
            box.Left + (keep.X * picture.Size.Width - window.X) * perX,
            box.Top + (keep.Y * picture.Size.Height - window.Y) * perY,
            keep.Width * picture.Size.Width * perX,
            keep.Height * picture.Size.Height * perY
        );
        var covered = pieces.Where(l => l.Over == block.Id).SelectMany(l => l.Lines).Sum(line => line.SharedWith(area));
        return covered / (area.Width * area.Height);
    }

    private static string? PositionOf(FigurePlan figure, BackdropBlock block, WidthClass c, BoxPx box) =>
        PictureOn(figure, c) is var picture ? WindowOf(picture, block, c, box)?.ObjectPosition(picture.Size) : null;

    /// <summary>
    /// Of the words over all slides those that are worst off, on each class of screen; null where none stand over a
    /// picture.
    /// </summary>
    public static PerClass<Contrast?> WorstOf(IReadOnlyCollection<BackdropPlan> slides) =>
        new PerClass<int>().Select(
            (c, _) =>
                slides
                    .Select(s => s.On[c].Contrast)
                    .Where(contrast => contrast is not null)
                    .MinBy(contrast => contrast!.Value.Ratio / contrast.Value.Needed)
        );

    /// <summary>
    /// What makes the words over all slides of a set readable at once; null where they are, or nothing does.
    /// </summary>
    public static BackdropRemedy? MendOf(IReadOnlyCollection<BackdropPlan> slides, PageLayout layout) =>
        slides.All(s => !s.HardToRead.Any())
            ? null
            : MendOf(
                slides.First().Block.Backdrop,
                new PerClass<int>().Select((c, _) => slides.SelectMany(s => s.Under[c]).ToImmutableArray()),
                layout
            );

    /// <summary>The classes on which its words are hard to read, with how far they fall short.</summary>
    public IEnumerable<(WidthClass Class, Contrast Contrast)> HardToRead =>
        WidthClasses.All.Where(c => On[c].Contrast is { IsEnough: false }).Select(c => (c, On[c].Contrast!.Value));

    /// <summary>
    /// The first that does: over a colour alone the words turned, where they need no tint then; a tint of the colour
    /// that is set, then a plain one, then the words turned with either.
    /// </summary>
    private static BackdropRemedy? MendOf(
        Backdrop ground,
        PerClass<ImmutableArray<WordsGround>> grounds,
        PageLayout layout
    )
    {
        var tones = new[] { ground.Tone, ground.Tone == WordsTone.Dark ? WordsTone.Light : WordsTone.Dark };
        var mends = tones
            .SelectMany(tone =>
                new[] { ground.Tint, tone == WordsTone.Light ? Srgb.Black : Srgb.White }.Select(tint => (tone, tint))
            )
            .Select(way =>
                (way.tone, way.tint, Least: grounds.Select((_, g) => LeastTint(g, way.tone, way.tint, layout)))
            )
            .Where(way => WidthClasses.All.All(c => way.Least[c] is not null))
            .Select(way => new BackdropRemedy(way.tone, way.tint, way.Least.Select((_, strength) => strength!.Value)))
            .ToList();
        var turned = ground.AssetId is null ? mends.Find(m => WidthClasses.All.All(c => m.Strength[c] == 0)) : null;
        return turned ?? mends.FirstOrDefault();
    }

    private static int? LeastTint(ImmutableArray<WordsGround> grounds, WordsTone tone, Srgb tint, PageLayout layout) =>
        Readability.LeastTint(grounds, WordsOf(tone, layout), tint);

    private static Srgb WordsOf(WordsTone tone, PageLayout layout) =>
        Srgb.Parse(tone == WordsTone.Light ? layout.Style.Colours.Paper : layout.Style.Colours.Ink);
}
