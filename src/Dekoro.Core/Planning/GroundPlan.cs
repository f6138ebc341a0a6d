using System.Collections.Immutable;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>A band or cell on one class of screen, at the class's reference width.</summary>
/// <param name="Position">CSS object-position of the picture behind, steered by its keep area; null where none covers it.</param>
/// <param name="Contrast">Of the words that are worst off; null where there are none, or the picture is not measured.</param>
public sealed record GroundOnClass(double HeightCssPx, string? Position, Contrast? Contrast);

/// <summary>A picture that takes the place of the one behind a band for a while.</summary>
/// <param name="Positions">CSS object-position on each class of screen, steered by its keep area.</param>
public sealed record Follower(FigurePlan Figure, int StayMs, PerClass<string?> Positions);

/// <summary>What makes the words of a band or cell readable on every screen.</summary>
/// <param name="Words">As they are, or turned where no tint does for them as they are.</param>
/// <param name="Tint">As it is, or the plain one that goes with the words.</param>
/// <param name="Strength">The least for each class.</param>
public sealed record GroundMend(WordsTone Words, Srgb Tint, PerClass<int> Strength);

/// <summary>Everything decided about what stands behind the words of a band or cell.</summary>
/// <param name="Behind">The picture behind it, as it is placed; null for none.</param>
/// <param name="Mend">Null where its words are readable as they are, or nothing makes them so.</param>
/// <param name="Under">What lies under its words on each class of screen, without any tint.</param>
public sealed record GroundPlan(GroundedBlock Block, FigurePlan? Behind, PerClass<GroundOnClass> On, GroundMend? Mend, PerClass<ImmutableArray<WordsGround>> Under)
{
    /// <summary>Pictures that take the place of the one behind, one after the other.</summary>
    public ImmutableArray<Follower> Followers { get; private init; } = [];

    /// <param name="behind">The picture behind and those that follow it; none for a colour alone.</param>
    /// <param name="gridOf">A picture at a few samples; null where it is not measured.</param>
    public static GroundPlan Of(GroundedBlock block, ImmutableArray<FigurePlan> behind, Func<string, ColourGrid?> gridOf, LaidPage page, PageLayout layout)
    {
        var ground = block.Ground;
        var first = behind.FirstOrDefault(f => f.Block.Id == block.FigureId);
        var seen = new PerClass<int>().Select((c, _) =>
        {
            var box = page.BoxOf(block.Id, c);
            var said = page.Within(block.Id, c).Where(l => l.Over == block.Id && !l.Lines.IsEmpty).ToImmutableArray();
            // Words have to be read over each of them.
            var grounds = first is null ? GroundsOf(said, box, ground, null, null, null, layout)
                : [.. behind.SelectMany(f => gridOf(f.Main.Picture.Id) is { } grid ? GroundsOf(said, box, ground, f.Main.Picture, WindowOf(f, box), grid, layout) : [])];
            return (Box: box, Grounds: grounds, On: new GroundOnClass(box.Height, PositionOf(first, box), Readability.Of(grounds, WordsOf(ground.Words, layout), ground.Tint, ground.TintStrength[c])));
        });
        var on = seen.Select((_, s) => s.On);
        var stays = block.Followers.ToDictionary(f => f.Figure.Id, f => f.StayMs);
        return new(block, first, on, WidthClasses.All.Any(c => on[c].Contrast is { IsEnough: false }) ? MendOf(ground, seen.Select((_, s) => s.Grounds), layout) : null, seen.Select((_, s) => s.Grounds.ToImmutableArray()))
        {
            Followers = first is null ? [] : [.. behind.Where(f => stays.ContainsKey(f.Block.Id)).Select(f => new Follower(f, stays[f.Block.Id], seen.Select((_, s) => PositionOf(f, s.Box))))],
        };

        Cut? WindowOf(FigurePlan figure, BoxPx box) => ground.Repeats ? null : Cut.To(AspectRatio.Of(box.Width, box.Height), figure.Main.Picture.Size, figure.Main.Picture.KeepOrMiddle);
        string? PositionOf(FigurePlan? figure, BoxPx box) => figure is null ? null : WindowOf(figure, box)?.ObjectPosition(figure.Main.Picture.Size);
    }

    /// <summary>Of the words over all slides those that are worst off, on each class of screen; null where none stand over a picture.</summary>
    public static PerClass<Contrast?> WorstOf(IReadOnlyCollection<GroundPlan> slides) => new PerClass<int>().Select((c, _) =>
        slides.Select(s => s.On[c].Contrast).Where(contrast => contrast is not null).MinBy(contrast => contrast!.Value.Ratio / contrast.Value.Needed));

    /// <summary>What makes the words over all slides of a set readable at once; null where they are, or nothing does.</summary>
    public static GroundMend? MendOf(IReadOnlyCollection<GroundPlan> slides, PageLayout layout) => slides.All(s => !s.HardToRead.Any()) ? null
        : MendOf(slides.First().Block.Ground, new PerClass<int>().Select((c, _) => slides.SelectMany(s => s.Under[c]).ToList()), layout);

    /// <summary>The classes on which its words are hard to read, with how far they fall short.</summary>
    public IEnumerable<(WidthClass Class, Contrast Contrast)> HardToRead =>
        WidthClasses.All.Where(c => On[c].Contrast is { IsEnough: false }).Select(c => (c, On[c].Contrast!.Value));

    /// <summary>The first that does: a tint of the colour that is set, then a plain one, then the words turned with either.</summary>
    private static GroundMend? MendOf(Ground ground, PerClass<List<WordsGround>> grounds, PageLayout layout)
    {
        var tones = new[] { ground.Words, ground.Words == WordsTone.Dark ? WordsTone.Light : WordsTone.Dark };
        foreach (var (tone, tint) in tones.SelectMany(tone => new[] { ground.Tint, tone == WordsTone.Light ? Srgb.Black : Srgb.White }.Select(tint => (tone, tint))))
        {
            var least = grounds.Select((_, g) => Readability.LeastTint(g, WordsOf(tone, layout), tint));
            if (WidthClasses.All.All(c => least[c] is not null)) return new(tone, tint, least.Select((_, strength) => strength!.Value));
        }
        return null;
    }

    private static Srgb WordsOf(WordsTone tone, PageLayout layout) => Srgb.Parse(tone == WordsTone.Light ? layout.Style.Colours.Paper : layout.Style.Colours.Ink);

    /// <summary>What lies under each piece of words, in squares of <see cref="Readability.SamplePx"/>.</summary>
    private static List<WordsGround> GroundsOf(ImmutableArray<Laid> said, BoxPx box, Ground ground, PictureFacts? picture, Cut? window, ColourGrid? grid, PageLayout layout)
    {
        var behind = ground.Colour ?? Srgb.Parse(layout.Style.Colours.Paper);
        if (picture is null) return [.. said.Select(l => new WordsGround(NeededBy(l), [.. Enumerable.Repeat(behind, Readability.Parts)]))];
        return
        [
            .. said.Select(l => new WordsGround(NeededBy(l), [.. l.Lines.SelectMany(line => line.Squares(Readability.SamplePx)).SelectMany(PartsOf).Select(Below)])),
        ];

        static double NeededBy(Laid words) => words.Style!.IsLarge(isBold: false) ? Readability.LargeNeeds : Readability.TextNeeds;

        Srgb Below(BoxPx square)
        {
            if (grid is null) return behind;
            if (window is not { } w)
            {
                // One tile after the other: where in its own tile a square lies.
                var (tileWidth, tileHeight) = TilePx(picture);
                return grid.MeanOf((square.Left - box.Left) % tileWidth / tileWidth, (square.Top - box.Top) % tileHeight / tileHeight, square.Width / tileWidth, square.Height / tileHeight, behind);
            }
            // The window fills the box: source px for each CSS px is the same both ways, but for the rounding of the cut.
            var (sx, sy) = (w.Width / box.Width, w.Height / box.Height);
            return grid.MeanOf((w.X + (square.Left - box.Left) * sx) / picture.Size.Width, (w.Y + (square.Top - box.Top) * sy) / picture.Size.Height,
                square.Width * sx / picture.Size.Width, square.Height * sy / picture.Size.Height, behind);
        }
    }

    /// <summary>How large one tile of a pattern stands, CSS px: sharp on screens of twice the density, a drawing as large as it says.</summary>
    public static (double Width, double Height) TilePx(PictureFacts picture) =>
        picture.IsVector ? (picture.Size.Width, picture.Size.Height) : (picture.Size.Width / Fit.MostRatio, picture.Size.Height / Fit.MostRatio);

    private static IEnumerable<BoxPx> PartsOf(BoxPx square)
    {
        var side = square.Width / Readability.PartsAcross;
        for (var i = 0; i < Readability.Parts; i++)
            yield return new(square.Left + i % Readability.PartsAcross * side, square.Top + i / Readability.PartsAcross * side, side, side);
    }
}
