namespace Dekoro.Core.Choices;

/// <summary>How wide a figure stands: by its role on the site, or by a number of CSS px.</summary>
public abstract record FigureSize
{
    private FigureSize() { }

    /// <summary>A size by its name: its width follows from the site's style.</summary>
    public sealed record ByRole(SizeRole Role) : FigureSize;

    /// <summary>As wide as the cell it stands in.</summary>
    public sealed record OfCell : FigureSize;

    /// <summary>Behind words: it covers all of the box, whatever its height, or is repeated over it.</summary>
    public sealed record Behind(bool Repeats) : FigureSize;

    /// <summary>In an arrangement, which gives the size.</summary>
    public sealed record InSet : FigureSize;

    /// <summary>Among the words of a line.</summary>
    public sealed record InLine(LineHeight Height) : FigureSize;

    /// <summary>A width in CSS px.</summary>
    public sealed record ByPx : FigureSize
    {
        /// <summary>Bounds of a width, in CSS px.</summary>
        public const int Min = 40,
            Max = 4000;

        /// <exception cref="ArgumentOutOfRangeException">Outside 40 to 4000 px.</exception>
        public ByPx(int cssPx)
        {
            ArgumentOutOfRangeException.ThrowIfLessThan(cssPx, Min);
            ArgumentOutOfRangeException.ThrowIfGreaterThan(cssPx, Max);
            CssPx = cssPx;
        }

        /// <summary>The width in CSS px.</summary>
        public int CssPx { get; }
    }
}
