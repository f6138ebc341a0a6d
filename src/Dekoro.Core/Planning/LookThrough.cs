using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>A picture as it would stand in a place.</summary>
/// <param name="Waste">Share of the picture that the cut leaves out, 0 to 1.</param>
public sealed record Standing(PictureFacts Picture, Cut Cut, KeepLoss Loss, PerClass<Fit> Fits, double Waste)
{
    /// <summary>The worst over all screens.</summary>
    public FitWord Word => (FitWord)WidthClasses.All.Max(c => (int)Fits[c].Word);
}

/// <summary>Looks at pictures through a place, instead of cropping each by hand to find out which one works.</summary>
public static class LookThrough
{
    /// <param name="shape">Null: as is.</param>
    public static Standing Of(PictureFacts picture, FigureSize size, AspectRatio? shape, PageLayout layout)
    {
        var cut = shape is { } s ? Cut.To(s, picture.Size, picture.KeepOrMiddle) : Cut.Whole(picture.Size);
        var slot = layout.SlotOf(size);
        var devices = layout.Style.Devices;
        var ladder = Ladder.DemandsOf(slot, devices, cut.Width).Select(d => d.WidthPx).ToArray();
        var fits = new PerClass<int>().Select((c, _) =>
            Fit.Of(c, slot, cut, picture.Size, picture.Sharpness, ladder, PagePlanner.BytesOf(picture, cut), devices, layout.Style.Classes));
        if (picture.IsVector) fits = fits.Select((_, fit) => fit with { Word = FitWord.Sharp, Reason = FitReason.None });
        var loss = shape is null || picture.Keep is null ? default : cut.LossFrom(picture.Keep.Value, picture.Size);
        return new(picture, cut, loss, fits, 1 - cut.ShareOf(picture.Size));
    }

    /// <summary>Sharper ones first, then those whose keep area stays whole, then those of which least is cut off.</summary>
    public static IEnumerable<Standing> BestFirst(IEnumerable<Standing> pictures) =>
        pictures.OrderBy(p => p.Word).ThenBy(p => p.Loss.IsNone ? 0 : 1).ThenBy(p => p.Waste).ThenBy(p => p.Picture.Id, StringComparer.Ordinal);
}
