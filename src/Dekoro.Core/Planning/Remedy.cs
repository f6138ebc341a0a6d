using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>What to do about a picture that is not sharp in its place.</summary>
/// <param name="Size">The size that would be sharp everywhere, where one would.</param>
/// <param name="WholePicture">True where leaving the cut out would do.</param>
public sealed record Remedy(string Sentence, SizeRole? Size = null, bool WholePicture = false)
{
    /// <returns>Null where the picture is sharp on every class of screen.</returns>
    public static Remedy? For(FigurePlan figure, PageLayout layout)
    {
        var worst = WidthClasses.All.Select(c => figure.Fits[c]).OfType<Fit>().Where(f => f.Word != FitWord.Sharp).MinBy(f => f.Density);
        if (worst is null || figure.On(worst.Class) is not { } cut) return null;
        // One size for all widths mends nothing where a width has a size, a cut or a picture of its own.
        var isSame = WidthClasses.All.All(c => figure.Block.Exceptions[c] is null or { Hidden: true });
        return For(worst, cut.Picture, cut.Cut, layout, isSame && TakesSize(figure.Block.Size));
    }

    /// <summary>False where the place gives a picture its size.</summary>
    public static bool TakesSize(FigureSize size) => size is not (FigureSize.OfCell or FigureSize.Behind or FigureSize.InLine or FigureSize.InSet);

    /// <returns>Null where the picture is sharp on every class of screen.</returns>
    /// <param name="takesSize">False where the place gives the picture its size, as a cell does.</param>
    public static Remedy? For(Standing standing, PageLayout layout, bool takesSize = true) =>
        WidthClasses.All.Select(c => standing.Fits[c]).OfType<Fit>().Where(f => f.Word != FitWord.Sharp).MinBy(f => f.Density) is { } worst
            ? For(worst, standing.Picture, standing.Cut, layout, takesSize) : null;

    private static Remedy For(Fit worst, PictureFacts picture, Cut cut, PageLayout layout, bool takesSize)
    {
        var at = worst.Class.ToString().ToLowerInvariant();
        if (worst.Reason == FitReason.Blurred) return new("The picture itself is blurred: no size mends that, so choose another.");
        if (worst.Reason == FitReason.CutTooTight)
            return new($"The cut keeps {cut.Width} of {picture.Size.Width} px; the whole picture would be sharp on {at}.", WholePicture: true);
        return takesSize && LargestSharp(cut, layout) is { } role
            ? new($"{Capital(NameOf(role))} would be sharp everywhere.", role)
            : new($"The file is {picture.Size.Width} px wide; on {at} it takes {SharpFileWidth(worst, picture, cut)} px to be sharp here.");
    }

    public static string NameOf(SizeRole role) => role switch
    {
        SizeRole.Third => "a third",
        SizeRole.Half => "half",
        SizeRole.Column => "the column",
        SizeRole.Wide => "wide",
        _ => "edge to edge",
    };

    /// <summary>The cut keeps its share of the picture, so the file must grow by as much as the cut.</summary>
    private static int SharpFileWidth(Fit worst, PictureFacts picture, Cut cut) =>
        (int)Math.Ceiling((double)worst.SharpFromPx * picture.Size.Width / cut.Width);

    private static SizeRole? LargestSharp(Cut cut, PageLayout layout) =>
        Enum.GetValues<SizeRole>().Reverse().Cast<SizeRole?>().FirstOrDefault(role => cut.Width >= layout.SharpFromPx(new FigureSize.ByRole(role!.Value)));

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
