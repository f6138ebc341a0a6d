namespace Dekoro.Core.Planning;

/// <summary>Which file a browser takes from a <c>srcset</c> with width descriptors.</summary>
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
    /// HTML (4.8.4.3.7) leaves the choice to the browser; this is what Chromium does, and a browser test holds it to that.
    /// Densities are compared in single precision there, and so they are here.
    /// </remarks>
    public static int Take(IEnumerable<int> widthsPx, double slotCssPx, double pixelRatio)
    {
        var taken = 0;
        foreach (var width in widthsPx.Order())
        {
            taken = width;
            if ((float)(width / slotCssPx) >= (float)pixelRatio) break;
        }
        return taken;
    }
}
