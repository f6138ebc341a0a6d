using Dekoro.Core.Geometry;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

public enum FitWord { Sharp, Soft, Coarse }

/// <summary>Why a picture is not sharp in a place.</summary>
public enum FitReason
{
    None,

    /// <summary>The file has too few px for the place, however it is cut.</summary>
    FileTooSmall,

    /// <summary>The file would do, but the cut takes too small a part of it.</summary>
    CutTooTight,

    /// <summary>There are px enough, but the picture itself is blurred.</summary>
    Blurred,
}

/// <summary>How a picture fits a place on the devices of one width class.</summary>
/// <param name="SlotCssPx">Width of the place at the class's reference width.</param>
/// <param name="PxPerCssPx">Px in the cut for each CSS px of the slot: what people are shown ("1.6×").</param>
/// <param name="Density">Px in the cut / (slot px × min(device ratio, 2)), reached or passed on 90 % of the visits.</param>
/// <param name="ExpectedBytes">Of the file the class's commonest device takes.</param>
/// <param name="SharpFromPx">The smallest width of a cut that would be sharp here, source px.</param>
/// <param name="SharpUpToCssPx">The widest slot in which this picture is sharp on these devices, CSS px.</param>
public sealed record Fit(
    WidthClass Class, double SlotCssPx, double PxPerCssPx, double Density, FitWord Word, FitReason Reason,
    double ExpectedBytes, int SharpFromPx, double SharpUpToCssPx)
{
    public const double SharpFrom = 0.95;
    public const double SoftFrom = 0.60;

    /// <summary>Pixel ratios above this are not told apart by eye at reading distance, and are not asked for.</summary>
    public const double MostRatio = 2;

    /// <summary>Below this normalised Laplacian variance a picture counts as blurred (Imaging measures, Core judges).</summary>
    public const double BlurredBelow = 0.03;

    private const double ShareOfVisits = 0.9;

    public static Fit Of(
        WidthClass c, SlotWidth slot, Cut cut, PixelSize source, double? sharpness, IReadOnlyList<int> ladderPx, BytesModel bytes,
        DeviceProfile profile, WidthClasses classes)
    {
        var devices = DevicesOf(c, profile, classes);
        var referenceSlot = slot.At(classes.ReferencePx[c]);
        var neededPx = Quantile(devices, d => NeededPx(slot, d));
        var density = cut.Width / neededPx;
        var word = WordFor(density);
        // The shape is kept: without the cut, the source's own width is what the place could draw on.
        var reason = word != FitWord.Sharp
            ? (cut.Width < source.Width && WordFor(source.Width / neededPx) == FitWord.Sharp ? FitReason.CutTooTight : FitReason.FileTooSmall)
            : sharpness < BlurredBelow ? FitReason.Blurred : FitReason.None;
        if (reason == FitReason.Blurred) word = FitWord.Soft;
        var common = devices.MaxBy(d => d.Share)!;
        return new Fit(c, referenceSlot, cut.Width / Math.Max(1, referenceSlot), density, word, reason,
            bytes.At(Forecast.Take(ladderPx, slot.At(common.ViewportCssPx), common.PixelRatio)),
            SharpFromPxFor(neededPx),
            cut.Width / SharpFrom / Quantile(devices, d => Math.Min(d.PixelRatio, MostRatio)));
    }

    /// <summary>Px across from which any picture is sharp in a slot on a class of screen.</summary>
    public static int SharpFromPxOf(WidthClass c, SlotWidth slot, DeviceProfile profile, WidthClasses classes) =>
        SharpFromPxFor(Quantile(DevicesOf(c, profile, classes), d => NeededPx(slot, d)));

    private static int SharpFromPxFor(double neededPx) => (int)Math.Ceiling(SharpFrom * neededPx);

    private static List<Device> DevicesOf(WidthClass c, DeviceProfile profile, WidthClasses classes) =>
        profile.In(c, classes).ToList() is { Count: > 0 } devices ? devices : [new("reference", classes.ReferencePx[c], MostRatio, 1)];

    public static FitWord WordFor(double density) =>
        density >= SharpFrom ? FitWord.Sharp : density >= SoftFrom ? FitWord.Soft : FitWord.Coarse;

    private static double NeededPx(SlotWidth slot, Device d) => Math.Max(1, slot.At(d.ViewportCssPx) * Math.Min(d.PixelRatio, MostRatio));

    /// <summary>The least value that serves nine visits in ten of these devices.</summary>
    private static double Quantile(List<Device> devices, Func<Device, double> value)
    {
        var (whole, sofar) = (devices.Sum(d => d.Share), 0.0);
        foreach (var d in devices.OrderBy(value))
        {
            sofar += d.Share;
            if (sofar >= ShareOfVisits * whole - 1e-9) return value(d);
        }
        return devices.Max(value);
    }
}
