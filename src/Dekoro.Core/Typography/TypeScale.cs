using Dekoro.Core.Documents;
using Dekoro.Core.Sites;

namespace Dekoro.Core.Typography;

/// <summary>Where words stand: headings are set for the room they have.</summary>
public enum Setting { Column, Cell, Band }

/// <summary>How one kind of text is set. Lengths in CSS px.</summary>
/// <param name="LineHeight">A multiple of the size.</param>
/// <param name="BeforePx">Least space above; spaces between two pieces are not added, the larger one holds.</param>
/// <param name="IsBalanced">Its lines are made about as long as each other.</param>
public sealed record TextStyle(double SizePx, double LineHeight, int Weight, bool Italic, double BeforePx, double AfterPx, bool IsBalanced = false)
{
    public double LinePx => SizePx * LineHeight;

    /// <summary>Large text asks for less contrast (WCAG 2.2, SC 1.4.3: from 18 pt, or from 14 pt bold).</summary>
    public bool IsLarge(bool isBold) => SizePx >= 24 || (SizePx >= 18.66 && (isBold || Weight >= 700));
}

/// <summary>How every kind of text is set on a site; the style sheet is written from it, and lines are broken by it.</summary>
public static class TypeScale
{
    public const double QuotePaddingPx = 24, QuoteBorderPx = 2, ItemAfterPx = 6, QuoteAfterPx = 8, RulePx = 1;

    public static double BetweenPx(Setting setting) => setting == Setting.Cell ? 12 : 24;

    /// <summary>Indent of a list.</summary>
    public static double ListPaddingPx(Setting setting) => setting == Setting.Cell ? 20 : 24;

    public static TextStyle Text(SiteStyle style, Setting setting) => new(style.TextPx, style.LineHeight, 400, false, 0, BetweenPx(setting));

    /// <param name="level">2 to 4.</param>
    public static TextStyle Heading(int level, Setting setting)
    {
        var after = BetweenPx(setting);
        return (setting, level) switch
        {
            (Setting.Cell, _) => new(20, 1.15, 500, false, 0, after, true),
            (Setting.Band, 2) => new(36, 1.15, 500, false, 36, after, true),
            (_, 2) => new(26, 1.15, 500, false, 36, after, true),
            (_, 3) => new(20, 1.15, 500, false, 28, after, true),
            _ => new(17, 1.15, 700, false, 28, after, true),
        };
    }

    /// <summary>Round the words of a button, CSS px.</summary>
    public const double ButtonInlinePx = 20, ButtonBlockPx = 10, ButtonLinePx = 1.5;

    public static TextStyle Button(Setting setting) => new(16, 1.4, 600, false, 0, BetweenPx(setting));

    /// <summary>Between a picture and its caption, CSS px.</summary>
    public const double CaptionSpacePx = 6;

    public static TextStyle Caption => new(14, 1.4, 400, true, 0, 0);

    /// <summary>A row of a table of files: its words' size, their leading, and what stands above and below them, CSS px.</summary>
    public const double FilePx = 16, FileLine = 1.4, FileBlockPx = 8, FileTypePx = 72, FileSizePx = 88;

    public static TextStyle File => new(FilePx, FileLine, 400, false, 0, 0);

    /// <summary>How high a picture in a line is, CSS px; it never makes the line higher.</summary>
    public static double InLinePx(LineHeight height, TextStyle style) => height == LineHeight.Line ? style.LinePx : style.SizePx;

    public static TextStyle Of(Block block, SiteStyle style, Setting setting) => block switch
    {
        HeadingBlock h => Heading(h.Level, setting),
        ButtonBlock => Button(setting),
        _ => Text(style, setting),
    };
}
