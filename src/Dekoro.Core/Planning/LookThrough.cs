using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>A picture as it would stand in a place.</summary>
/// <param name="Fits">Null where it is not shown.</param>
/// <param name="Waste">Share of the picture that the cut leaves out, 0 to 1.</param>
public sealed record Standing(PictureFacts Picture, Cut Cut, KeepLoss Loss, PerClass<Fit?> Fits, double Waste)
{
    /// <summary>The worst over all screens.</summary>
    public FitWord Word => (FitWord)WidthClasses.All.Max(c => (int)(Fits[c]?.Word ?? FitWord.Sharp));
}

/// <summary>Looks at pictures through a place, instead of cropping each by hand to find out which one works.</summary>
public static class LookThrough
{
    public static Standing Of(PictureFacts picture, SlotWidth slot, CutChoice choice, PageLayout layout)
    {
        var cut = PagePlanner.CutOf(choice, picture);
        var exact = Ladder.DemandsOf(slot, layout.Style.Devices, cut.Width).Select(d => d.WidthPx).ToArray();
        return new(picture, cut, PagePlanner.LossOf(choice, picture, cut), PagePlanner.FitsOf(picture, cut, slot, exact, layout.Style), 1 - cut.ShareOf(picture.Size));
    }

    /// <summary>Sharper ones first, then those whose keep area stays whole, then those of which least is cut off.</summary>
    public static IEnumerable<Standing> BestFirst(IEnumerable<Standing> pictures) =>
        pictures.OrderBy(p => p.Word).ThenBy(p => p.Loss.IsNone ? 0 : 1).ThenBy(p => p.Waste).ThenBy(p => p.Picture.Id, StringComparer.Ordinal);
}
