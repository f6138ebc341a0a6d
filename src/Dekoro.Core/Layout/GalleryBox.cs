using Dekoro.Core.Responsive;

namespace Dekoro.Core.Layout;

/// <summary>
/// The box of one picture of a gallery on one class of screen. Lengths are affine in the gallery's own inline size.
/// </summary>
/// <param name="Item">Its number in the running order.</param>
/// <param name="Line">The row it stands in, or its column where columns end level.</param>
/// <param name="Shape">Of the box, width over height.</param>
/// <param name="MostPx">It is never wider than this, CSS px.</param>
/// <param name="Before">Space at its start beside the gutter.</param>
/// <param name="PictureShare">How much of the box's width a picture takes that is shown whole.</param>
public sealed record GalleryBox(
    int Item,
    int Line,
    Affine Width,
    double Shape,
    double MostPx,
    Affine Before,
    double PictureShare
)
{
    /// <summary>Its width in a container, in CSS px.</summary>
    public double WidthAt(double containerPx) => Math.Max(0, Math.Min(Width.At(containerPx), MostPx));
}
