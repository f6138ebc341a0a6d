using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Core.Delivery;

/// <summary>How a picture fits a place on the devices of one width class.</summary>
/// <param name="SlotCssPx">Width of the place at the class's reference width.</param>
/// <param name="PxPerCssPx">Px in the cut that count for each CSS px of the slot, as people are shown: "1.6×".</param>
/// <param name="Density">Px in the cut that count / (slot px × min(device ratio, 2)), reached or passed on 90 % of the
/// visits.</param>
/// <param name="ExpectedBytes">Of the file the class's commonest device takes.</param>
/// <param name="SharpFromPx">The smallest width of a cut that would be sharp here, source px.</param>
/// <param name="SharpUpToCssPx">The widest slot in which this picture is sharp on these devices, CSS px.</param>
public sealed record Fit(
    double SlotCssPx,
    double PxPerCssPx,
    double Density,
    FitWord Word,
    FitReason Reason,
    double ExpectedBytes,
    int SharpFromPx,
    double SharpUpToCssPx
)
{
    /// <summary>From this share of the pixels that a screen can show, a picture is sharp.</summary>
    public const double SharpFrom = 0.95;

    /// <summary>From this share on it is soft; below, coarse.</summary>
    public const double SoftFrom = 0.60;

    /// <summary>Pixel ratios above this are not told apart by eye at reading distance, and are not asked for.</summary>
    public const double MaxRatio = 2;

    private const double ShareOfVisits = 0.9;

    /// <summary>How a file fits a place on one device.</summary>
    public static Fit Of(
        WidthClass c,
        SlotWidth slot,
        Cut cut,
        PictureFacts picture,
        IReadOnlyList<int> ladderPx,
        SiteStyle style
    )
    {
        var devices = DevicesOf(c, style.Devices, style.Classes);
        var referenceSlot = slot.At(style.Classes.ReferencePx[c]);
        var neededPx = Quantile(devices, d => NeededPx(slot, d));
        var counted = picture.CountedPxOf(cut);
        var density = counted / neededPx;
        var word = WordFor(density);
        var reason =
            word == FitWord.Sharp ? FitReason.None
            : WordFor(cut.Width / neededPx) == FitWord.Sharp ? FitReason.Blurred
            // The shape is kept: without the cut, the source's own width is what the place could draw on.
            : WordFor(picture.Size.Width * picture.ShareOfPx / neededPx) == FitWord.Sharp ? FitReason.CutTooTight
            : FitReason.FileTooSmall;
        var common = devices.MaxBy(d => d.Share)!;
        return new Fit(
            referenceSlot,
            counted / Math.Max(1, referenceSlot),
            density,
            word,
            reason,
            Forecast
                .BytesOf(picture, cut)
                .At(Forecast.Take(ladderPx, slot.At(common.ViewportCssPx), common.PixelRatio)),
            SharpFromPxFor(neededPx),
            counted / SharpFrom / Quantile(devices, d => Math.Min(d.PixelRatio, MaxRatio))
        );
    }

    /// <summary>Px across from which any picture is sharp in a slot on a class of screen.</summary>
    public static int SharpFromPxOf(WidthClass c, SlotWidth slot, DeviceProfile profile, WidthClasses classes) =>
        SharpFromPxFor(Quantile(DevicesOf(c, profile, classes), d => NeededPx(slot, d)));

    private static int SharpFromPxFor(double neededPx) => (int)Math.Ceiling(SharpFrom * neededPx);

    private static List<Device> DevicesOf(WidthClass c, DeviceProfile profile, WidthClasses classes) =>
        profile.In(c, classes).ToList() is { Count: > 0 } devices
            ? devices
            : [new("reference", classes.ReferencePx[c], MaxRatio, 1)];

    /// <summary>The word for a density: pixels that are there by pixels that the screen shows.</summary>
    public static FitWord WordFor(double density) =>
        density >= SharpFrom ? FitWord.Sharp
        : density >= SoftFrom ? FitWord.Soft
        : FitWord.Coarse;

    private static double NeededPx(SlotWidth slot, Device d) =>
        Math.Max(1, slot.At(d.ViewportCssPx) * Math.Min(d.PixelRatio, MaxRatio));

    /// <summary>The least value that serves nine visits in ten of these devices.</summary>
    private static double Quantile(List<Device> devices, Func<Device, double> value)
    {
        var (whole, sofar) = (devices.Sum(d => d.Share), 0.0);
        foreach (var d in devices.OrderBy(value))
        {
            sofar += d.Share;
            if (sofar >= ShareOfVisits * whole - 1e-9)
                return value(d);
        }
        return devices.Max(value);
    }
}
