using System.Globalization;
using Dekoro.Core.Choices;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Checks;

/// <summary>What to do about a picture that is not sharp in its place.</summary>
/// <param name="Size">The size that would be sharp everywhere, where one would.</param>
/// <param name="WholePicture">True where leaving the cut out would do.</param>
public sealed record Remedy(string Sentence, SizeRole? Size = null, bool WholePicture = false)
{
    /// <returns>Null where the picture is sharp on every class of screen.</returns>
    public static Remedy? For(FigurePlan figure, PageLayout layout)
    {
        if (WorstOf(figure.Fits) is not { } worst || figure.On(worst) is not { } cut)
            return null;
        // One size for all widths mends nothing where a width has a size, a cut or a picture of its own.
        var isSame = WidthClasses.All.All(c => figure.Block.Exceptions[c] is null or { Hidden: true });
        return For((worst, figure.Fits[worst]!), cut.Picture, cut.Cut, layout, isSame && TakesSize(figure.Block.Size));
    }

    /// <summary>False where the place gives a picture its size.</summary>
    public static bool TakesSize(FigureSize size) =>
        size is not (FigureSize.OfCell or FigureSize.Behind or FigureSize.InLine or FigureSize.InSet);

    /// <returns>Null where the picture is sharp on every class of screen.</returns>
    /// <param name="takesSize">False where the place gives the picture its size, as a cell does.</param>
    public static Remedy? For(Standing standing, PageLayout layout, bool takesSize = true) =>
        WorstOf(standing.Fits) is { } worst
            ? For((worst, standing.Fits[worst]!), standing.Picture, standing.Cut, layout, takesSize)
            : null;

    /// <summary>The class on which it is least sharp; null where it is sharp on all.</summary>
    private static WidthClass? WorstOf(PerClass<Fit?> fits) =>
        WidthClasses
            .All.Where(c => fits[c] is { Word: not FitWord.Sharp })
            .OrderBy(c => fits[c]!.Density)
            .Cast<WidthClass?>()
            .FirstOrDefault();

    private static Remedy For(
        (WidthClass Class, Fit Fit) at,
        PictureFacts picture,
        Cut cut,
        PageLayout layout,
        bool takesSize
    )
    {
        var (worst, on) = (at.Fit, at.Class.ToString().ToLowerInvariant());
        if (worst.Reason == FitReason.Blurred)
            return Sharper(picture, cut, layout, takesSize);
        if (worst.Reason == FitReason.CutTooTight)
            return new(
                $"The cut keeps {cut.Width} of {picture.Size.Width} px; the whole picture would be sharp on {on}.",
                WholePicture: true
            );
        return takesSize && LargestSharp(picture.CountedPxOf(cut), layout) is { } role
            ? new($"{Capital(NameOf(role))} would be sharp everywhere.", role)
            : new(
                $"The file is {picture.Size.Width} px wide{LeftByBlur(picture)}; on {on} it takes "
                    + $"{SharpFileWidth(worst, picture, cut)} px to be sharp here."
            );
    }

    /// <summary>How sharp a picture is where it is sharpest.</summary>
    /// <param name="edgePx">Width of its edges there, px; null where there are too few to tell.</param>
    public static string SharpestIn(PictureFacts picture, double? edgePx)
    {
        if (edgePx is not { } px)
            return "It has too few edges to tell how sharp it is.";
        var counted = (picture with { EdgePx = px }).CountedPxOf(Cut.Whole(picture.Size));
        var counts =
            counted < picture.Size.Width
                ? string.Create(CultureInfo.InvariantCulture, $"{counted:0} of {picture.Size.Width} px count")
                : string.Create(CultureInfo.InvariantCulture, $"all {picture.Size.Width} px count");
        return string.Create(CultureInfo.InvariantCulture, $"Here its edges are {px:0.#} px wide: {counts}.");
    }

    /// <summary>What blur takes away no larger file brings back; a smaller place asks for less of it.</summary>
    private static Remedy Sharper(PictureFacts picture, Cut cut, PageLayout layout, bool takesSize)
    {
        var counted = picture.CountedPxOf(cut);
        var blurred = string.Create(
            CultureInfo.InvariantCulture,
            $"The picture itself is blurred by about {picture.EdgePx:0} px, so {counted:0} of {cut.Width} px count"
        );
        return takesSize && LargestSharp(counted, layout) is { } role
            ? new($"{blurred}: {NameOf(role)} would be sharp everywhere.", role)
            : new($"{blurred}: choose another.");
    }

    /// <summary>The size as sentences name it.</summary>
    public static string NameOf(SizeRole role) =>
        role switch
        {
            SizeRole.Third => "a third",
            SizeRole.Half => "half",
            SizeRole.Column => "the column",
            SizeRole.Wide => "wide",
            _ => "edge to edge",
        };

    private static string LeftByBlur(PictureFacts picture) =>
        picture.ShareOfPx < 1
            ? string.Create(
                CultureInfo.InvariantCulture,
                $", of which blur leaves about {picture.Size.Width * picture.ShareOfPx:0}"
            )
            : "";

    /// <summary>
    /// Of a file that is in focus. The cut keeps its share of the picture, so the file must grow by as much as the cut.
    /// </summary>
    private static int SharpFileWidth(Fit worst, PictureFacts picture, Cut cut) =>
        (int)Math.Ceiling((double)worst.SharpFromPx * picture.Size.Width / cut.Width);

    private static SizeRole? LargestSharp(double countedPx, PageLayout layout) =>
        Enum.GetValues<SizeRole>()
            .Reverse()
            .Cast<SizeRole?>()
            .FirstOrDefault(role => countedPx >= layout.SharpFromPx(new FigureSize.ByRole(role!.Value)));

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
