using Dekoro.Core.Choices;
using Dekoro.Core.Delivery;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>Looks at pictures through a place, instead of cropping each by hand to find out which one works.</summary>
public static class TrialPlacement
{
    /// <summary>How a picture would stand in a place.</summary>
    public static Standing Of(PictureFacts picture, SlotWidth slot, CutChoice choice, PageLayout layout)
    {
        var cut = Placed.CutOf(choice, picture);
        var exact = Ladder.DemandsOf(slot, layout.Style.Devices, cut.Width).Select(d => d.WidthPx).ToArray();
        return new(
            picture,
            cut,
            Placed.LossOf(choice, picture, cut),
            FigurePlanner.FitsOf(picture, cut, slot, exact, layout.Style),
            1 - cut.ShareOf(picture.Size)
        );
    }

    /// <summary>
    /// Sharper ones first, then those whose keep area stays whole, then those of which least is cut off.
    /// </summary>
    public static IEnumerable<Standing> BestFirst(IEnumerable<Standing> pictures) =>
        pictures
            .OrderBy(p => p.Word)
            .ThenBy(p => p.Loss.IsNone ? 0 : 1)
            .ThenBy(p => p.Waste)
            .ThenBy(p => p.Picture.Id, StringComparer.Ordinal);
}
