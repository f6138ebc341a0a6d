using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Core.Planning;

/// <summary>What is decided about one picture, wherever it stands.</summary>
public static class FigurePlanner
{
    /// <summary>All of a figure, from its places and the slots that share its files.</summary>
    internal static FigurePlan Of(
        FigureBlock figure,
        IEnumerable<Place> places,
        ILookup<(string AssetId, Cut Cut), SlotWidth> slots,
        Loading loading,
        PageLayout layout,
        PlanFacts facts
    )
    {
        var picture = facts.Pictures[figure.AssetId];
        ImmutableArray<PlannedCut> cuts =
        [
            .. places.Select(place => CutOf(figure, place, slots[(place.AssetId, place.Cut)], facts)),
        ];
        var fits = cuts.Select(cut => FitsOf(cut.Picture, cut.Cut, cut.Slot, cut.Ladder.WidthsPx, facts.Style))
            .ToList();
        return new FigurePlan(
            figure,
            cuts,
            layout.BesideOf(figure),
            loading,
            new PerClass<int>().Select((c, _) => fits.Select(f => f[c]).FirstOrDefault(fit => fit is not null)),
            AltOf(figure.Alt, picture),
            Placed.CaptionOf(figure, picture),
            PressOf(figure, picture, facts.Addresses)
        );
    }

    private static FigurePress PressOf(FigureBlock figure, PictureFacts picture, SiteAddresses addresses)
    {
        var reading = TextRuns.LinkOf(figure) is { } written ? LinkReader.Read(written, addresses) : null;
        var instead = figure.Instead switch
        {
            LightboxContent.Film film => addresses.FileById.ContainsKey(film.Video.FileId) ? film : null,
            LightboxContent.Page page => MayBeFramed(reading?.Link) ? page : null,
            var other => other,
        };
        var opensFile =
            figure is { Link.Kind: FigureLinkKind.LargeFile, Video: null } && instead is null && reading?.Link is null;
        return new(reading, opensFile ? LargeFileOf(picture, figure.Larger) : null, instead);
    }

    /// <summary>
    /// Whether the larger view may show where a link leads: pages of the site, and what is encrypted.
    /// </summary>
    private static bool MayBeFramed(Link? link) =>
        link is Link.Page || (link is Link.Web web && web.Address.StartsWith("https:", StringComparison.Ordinal));

    /// <summary>
    /// How a cut of a picture fits a slot on each class of screen, null where it is not shown; a drawing is sharp at
    /// any size.
    /// </summary>
    public static PerClass<Fit?> FitsOf(
        PictureFacts picture,
        Cut cut,
        SlotWidth slot,
        IReadOnlyList<int> ladderPx,
        SiteStyle style
    )
    {
        return new PerClass<int>().Select(
            (c, _) =>
            {
                if (slot.At(style.Classes.ReferencePx[c]) <= 0)
                    return null;
                var fit = Fit.Of(c, slot, cut, picture, ladderPx, style);
                return picture.IsVector ? fit with { Word = FitWord.Sharp, Reason = FitReason.None } : fit;
            }
        );
    }

    /// <summary>The widths of a cut that serve all these slots, in whatever order they are told.</summary>
    /// <remarks>
    /// A logo stands alike on a thousand pages: what is the same is worked out once and counted. Sums of doubles hang
    /// on their order, so that there is one.
    /// </remarks>
    public static Ladder LadderOf(PictureFacts picture, Cut cut, IEnumerable<SlotWidth> slots, DeviceProfile devices)
    {
        var alike = slots.GroupBy(s => s).OrderBy(s => s.Key, SlotWidth.Order).ToList();
        return Ladder.Choose(
            [.. alike.Select(s => Ladder.DemandsOf(s.Key, devices, cut.Width))],
            Forecast.BytesOf(picture, cut),
            [.. alike.Select(s => s.Count())]
        );
    }

    private static PlannedCut CutOf(FigureBlock figure, Place place, IEnumerable<SlotWidth> slots, PlanFacts facts)
    {
        var picture = facts.Pictures[place.AssetId];
        var formats = FormatsOf(picture, place.Cut);
        // A pattern is named in a style, which takes one file: that which every browser reads.
        if (figure.Size is FigureSize.Behind { Repeats: true })
            formats = [formats[^1]];
        var ladder = LadderOf(picture, place.Cut, slots, facts.Style.Devices);
        var choice = figure.On(WidthClasses.All.First(c => place.On[c])).Cut;
        return new(
            place.On,
            picture,
            place.Cut,
            Placed.LossOf(choice, picture, place.Cut),
            place.Slot,
            ladder,
            formats
        );
    }

    /// <summary>The words read out in a picture's stead; empty for a decorative one.</summary>
    public static string AltOf(AltChoice alt, PictureFacts picture) =>
        alt.Decorative ? "" : alt.Own ?? picture.Metadata.Alt;

    private static ImmutableArray<OutputFormat> FormatsOf(PictureFacts picture, Cut cut) =>
        picture switch
        {
            { IsVector: true } when cut.IsWholeOf(picture.Size) => [OutputFormat.Svg],
            { IsAnimated: true } => [OutputFormat.WebP, OutputFormat.Gif],
            { HasAlpha: true } => [OutputFormat.Avif, OutputFormat.WebP, OutputFormat.Png],
            _ => [OutputFormat.Avif, OutputFormat.WebP, OutputFormat.Jpeg],
        };

    /// <summary>A picture whole, for a larger view of it or an address of its own.</summary>
    public static PlannedFile LargeFileOf(PictureFacts picture, LightboxSize size = LightboxSize.Full)
    {
        var whole = Cut.Whole(picture.Size);
        var format = FormatsOf(picture, whole)[^1];
        return new(
            picture.Id,
            whole,
            format == OutputFormat.Svg ? 0 : Math.Min(Lightbox.WidthPxOf(size), picture.Size.Width),
            format
        );
    }

    /// <summary>About how many bytes the larger view of a picture fetches.</summary>
    public static double LargeBytesOf(PictureFacts picture, LightboxSize size) =>
        LargeFileOf(picture, size) is { IsUnchanged: false } file ? picture.Bytes.At(file.WidthPx) : picture.FileBytes;
}
