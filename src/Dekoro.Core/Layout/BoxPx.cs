namespace Dekoro.Core.Layout;

/// <summary>A box in CSS px, from the top left of the page's content.</summary>
public readonly record struct BoxPx(double Left, double Top, double Width, double Height)
{
    /// <summary>How much of it lies in another as well, px².</summary>
    public double SharedWith(BoxPx other) =>
        Math.Max(0, Math.Min(Left + Width, other.Left + other.Width) - Math.Max(Left, other.Left))
        * Math.Max(0, Math.Min(Top + Height, other.Top + other.Height) - Math.Max(Top, other.Top));

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
