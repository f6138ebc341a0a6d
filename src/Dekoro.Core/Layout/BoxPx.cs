namespace Dekoro.Core.Layout;

/// <summary>A box in CSS px, from the top left of the page's content.</summary>
public readonly record struct BoxPx(double Left, double Top, double Width, double Height)
{
    /// <summary>Whole squares over it, the last ones reaching a little over its ends.</summary>
    public IEnumerable<BoxPx> Squares(double sidePx)
    {
        for (var y = 0.0; y < Height; y += sidePx)
        {
            for (var x = 0.0; x < Width; x += sidePx)
                yield return new(Left + x, Top + y, sidePx, sidePx);
        }
    }
}
