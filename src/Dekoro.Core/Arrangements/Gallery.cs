using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Arrangements;

/// <summary>How a set is laid out.</summary>
/// <param name="Columns">1 to 6 for each class of screen, of a grid and of level columns.</param>
/// <param name="TargetHeightPx">Of rows, CSS px.</param>
/// <param name="Shape">Of the cells of a grid; null leaves each as it is.</param>
/// <param name="Whole">In cells of one shape: true shows each picture whole, false fills the cell with a cut.</param>
/// <param name="Align">Where a picture stands that does not fill its cell.</param>
/// <param name="CaptionLines">Room kept below for so many lines, so that short and long captions end alike.</param>
/// <param name="OpensLarger">A press on a picture without a link of its own opens the larger view.</param>
public sealed record Gallery(
    GalleryKind Kind,
    PerClass<int> Columns,
    PerClass<int> TargetHeightPx,
    int GutterPx,
    AspectRatio? Shape,
    bool Whole,
    VerticalAlign Align,
    CaptionPlace Captions,
    CaptionSource CaptionsFrom,
    int CaptionLines,
    bool OpensLarger
)
{
    /// <summary>Bounds of what a gallery may be set to; lengths in CSS px.</summary>
    public const int MaxColumns = 6,
        MaxGutterPx = 60,
        MinHeightPx = 40,
        MaxHeightPx = 800,
        MaxCaptionLines = 6,
        MinWidePx = 40,
        MaxWidePx = 2000;

    /// <summary>Of pictures that are evenly spaced: wider than this, CSS px, none stands; null is as wide as its file.
    /// </summary>
    public int? MostWidePx { get; init; }

    /// <summary>How wide a picture stands where pictures have their own size, CSS px.</summary>
    public double OwnPx(double filePx) => Math.Min(filePx, MostWidePx ?? double.PositiveInfinity);

    /// <summary>Null shows all at once.</summary>
    public Paging? Paging { get; init; }

    /// <summary>Right without touching anything.</summary>
    public static Gallery Usual { get; } =
        new(
            GalleryKind.Grid,
            new(2, 3, 4),
            new(120, 180, 220),
            12,
            AspectRatio.Usual,
            false,
            VerticalAlign.Middle,
            CaptionPlace.None,
            CaptionSource.Caption,
            2,
            true
        );

    /// <summary>Cells take their pictures' shapes wherever the layout is made of them.</summary>
    public AspectRatio? ShapeOfCells => Kind == GalleryKind.Grid ? Shape : null;
}
