namespace Dekoro.Core.Site;

/// <summary>How one kind of text is set. Lengths in CSS px.</summary>
/// <param name="LineHeight">A multiple of the size.</param>
/// <param name="BeforePx">Least space above; spaces between two pieces are not added, the larger one holds.</param>
/// <param name="IsBalanced">Its lines are made about as long as each other.</param>
public sealed record TextStyle(
    double SizePx,
    double LineHeight,
    int Weight,
    bool Italic,
    double BeforePx,
    double AfterPx,
    bool IsBalanced = false
)
{
    /// <summary>Height of a line, in CSS px.</summary>
    public double LinePx => SizePx * LineHeight;

    /// <summary>Large text asks for less contrast (WCAG 2.2, SC 1.4.3: from 18 pt, or from 14 pt bold).</summary>
    public bool IsLarge(bool isBold) => SizePx >= 24 || (SizePx >= 18.66 && (isBold || Weight >= 700));
}
