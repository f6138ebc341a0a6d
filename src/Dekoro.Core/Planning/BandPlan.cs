using System.Collections.Immutable;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>A band on one class of screen, at the class's reference width.</summary>
/// <param name="Position">CSS object-position of the picture behind, steered by its keep area; null where none covers the band.</param>
/// <param name="Contrast">Of the words that are worst off; null where there are none, or the picture is not measured.</param>
/// <param name="LeastTint">Strength of the least tint that makes the words readable; null where none does, or nothing is measured.</param>
public sealed record BandOnClass(double WidthCssPx, double HeightCssPx, string? Position, Contrast? Contrast, int? LeastTint);

/// <summary>Everything decided about a band.</summary>
/// <param name="Behind">The picture behind it, as it is placed; null for none.</param>
/// <param name="WordsColour">Of its words on this site.</param>
public sealed record BandPlan(BandBlock Block, FigurePlan? Behind, Srgb WordsColour, PerClass<BandOnClass> On)
{
    public static BandPlan Of(BandBlock band, FigurePlan? behind, ColourGrid? grid, Func<FigureBlock, PictureFacts?> pictureOf, PageLayout layout)
    {
        var words = WordsOf(band.Ground.Words, layout);
        return new(band, behind, words, new PerClass<int>().Select((c, _) =>
        {
            var laid = PageFlow.Of(band, pictureOf, layout, c);
            var box = laid[0].Box;
            var window = behind is null || band.Ground.Repeats ? (Cut?)null : Cut.To(AspectRatio.Of(box.Width, box.Height), behind.Picture.Size, behind.Picture.KeepOrMiddle);
            var known = behind is null || grid is not null;
            var grounds = known ? GroundsOf(laid, band, behind?.Picture, window, grid, layout) : [];
            return new BandOnClass(box.Width, box.Height, window?.ObjectPosition(behind!.Picture.Size),
                Readability.Of(grounds, words, band.Ground.Tint, band.Ground.TintStrength[c]), known ? Readability.LeastTint(grounds, words, band.Ground.Tint) : null);
        }));
    }

    /// <summary>The classes on which its words are hard to read, with how far they fall short.</summary>
    public IEnumerable<(WidthClass Class, Contrast Contrast)> HardToRead =>
        WidthClasses.All.Where(c => On[c].Contrast is { IsEnough: false }).Select(c => (c, On[c].Contrast!.Value));

    public static Srgb WordsOf(WordsTone tone, PageLayout layout) => Srgb.Parse(tone == WordsTone.Light ? layout.Style.Colours.Paper : layout.Style.Colours.Ink);

    /// <summary>What lies under each piece of words, in squares of <see cref="Readability.SamplePx"/>.</summary>
    private static List<WordsGround> GroundsOf(ImmutableArray<Laid> laid, BandBlock band, PictureFacts? picture, Cut? window, ColourGrid? grid, PageLayout layout)
    {
        var box = laid[0].Box;
        var behind = band.Ground.Colour ?? Srgb.Parse(layout.Style.Colours.Paper);
        if (picture is null) return [.. Said().Select(l => new WordsGround(NeededBy(l), [.. Enumerable.Repeat(behind, Readability.Parts)]))];
        return
        [
            .. Said().Select(l => new WordsGround(NeededBy(l), [.. l.Lines.SelectMany(Squares).SelectMany(PartsOf).Select(Below)])),
        ];

        IEnumerable<Laid> Said() => laid.Where(l => !l.Lines.IsEmpty);

        static double NeededBy(Laid words) => words.Style!.IsLarge(isBold: false) ? Readability.LargeNeeds : Readability.TextNeeds;

        Srgb Below(BoxPx square)
        {
            if (grid is null) return behind;
            if (window is not { } w)
            {
                // One tile after the other: where in its own tile a square lies.
                var (tileWidth, tileHeight) = TilePx(picture);
                return grid.MeanOf(square.Left % tileWidth / tileWidth, (square.Top - box.Top) % tileHeight / tileHeight, square.Width / tileWidth, square.Height / tileHeight, behind);
            }
            // The window fills the box: source px for each CSS px is the same both ways, but for the rounding of the cut.
            var (sx, sy) = (w.Width / box.Width, w.Height / box.Height);
            return grid.MeanOf((w.X + square.Left * sx) / picture.Size.Width, (w.Y + (square.Top - box.Top) * sy) / picture.Size.Height,
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

    /// <summary>Whole squares, the last ones reaching a little over the line's ends.</summary>
    private static IEnumerable<BoxPx> Squares(BoxPx line)
    {
        for (var y = 0.0; y < line.Height; y += Readability.SamplePx)
        {
            for (var x = 0.0; x < line.Width; x += Readability.SamplePx) yield return new(line.Left + x, line.Top + y, Readability.SamplePx, Readability.SamplePx);
        }
    }
}
