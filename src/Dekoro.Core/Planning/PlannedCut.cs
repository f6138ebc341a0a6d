using System.Collections.Immutable;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>One cut of one picture as a figure shows it, on all classes of screen or on some.</summary>
/// <param name="On">The classes on which it is shown.</param>
/// <param name="Slot">How wide it stands; nothing where it is not shown.</param>
/// <param name="Formats">In the order in which they are offered, the one every browser reads last.</param>
public sealed record PlannedCut(
    PerClass<bool> On,
    PictureFacts Picture,
    Cut Cut,
    KeepLoss Loss,
    SlotWidth Slot,
    Ladder Ladder,
    ImmutableArray<OutputFormat> Formats
)
{
    /// <summary>Whether the file is handed on as it came.</summary>
    public bool IsUnchanged => Formats is [OutputFormat.Svg];

    /// <summary>Its files in one format, narrowest first.</summary>
    public IEnumerable<PlannedFile> FilesIn(OutputFormat format) =>
        IsUnchanged
            ? [new(Picture.Id, Cut, 0, format)]
            : Ladder.WidthsPx.Select(w => new PlannedFile(Picture.Id, Cut, w, format));

    /// <summary>Width in px of the file that a device takes; 0 for a file given out unchanged.</summary>
    public int WidthTakenBy(double viewportCssPx, double pixelRatio) =>
        IsUnchanged ? 0 : Forecast.Take(Ladder.WidthsPx, Slot.At(viewportCssPx), pixelRatio);
}
