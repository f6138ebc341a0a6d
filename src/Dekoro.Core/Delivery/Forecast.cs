using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Core.Delivery;

/// <summary>Which file a browser takes from a <c>srcset</c> with width descriptors, and what it weighs.</summary>
public static class Forecast
{
    /// <summary>
    /// The candidate with the smallest density (file px / slot px) that is at least the device's pixel ratio, else the
    /// largest.
    /// </summary>
    /// <param name="widthsPx">Widths of the candidates; at least one.</param>
    /// <param name="slotCssPx">What <c>sizes</c> evaluates to, CSS px.</param>
    /// <param name="pixelRatio">Device px for each CSS px.</param>
    /// <remarks>
    /// HTML (4.8.4.3.7) leaves the choice to the browser; this is what Chromium does, and a browser test holds it to
    /// that. Densities are compared in single precision there, and so they are here.
    /// </remarks>
    public static int Take(IEnumerable<int> widthsPx, double slotCssPx, double pixelRatio)
    {
        var taken = 0;
        foreach (var width in widthsPx.Order())
        {
            taken = width;
            if ((float)(width / slotCssPx) >= (float)pixelRatio)
                break;
        }
        return taken;
    }

    /// <summary>Expected bytes of a cut of a picture, by width.</summary>
    public static BytesModel BytesOf(PictureFacts picture, Cut cut) =>
        picture.Bytes.ForCut((double)cut.Height / cut.Width, (double)picture.Size.Height / picture.Size.Width);
}
