using Dekoro.Core.Choices;
using Dekoro.Core.Content;

namespace Dekoro.Core.Site;

/// <summary>
/// How every kind of text is set on a site; the style sheet is written from it, and lines are broken by it.
/// </summary>
public static class TypeScale
{
    /// <summary>Lengths of lists, quotations and lines, in CSS px.</summary>
    public const double QuotePaddingPx = 24,
        QuoteBorderPx = 2,
        ItemAfterPx = 6,
        QuoteAfterPx = 8,
        RulePx = 1;

    /// <summary>Room between two pieces, in CSS px.</summary>
    public static double BetweenPx(Setting setting) => setting == Setting.Cell ? 12 : 24;

    /// <summary>Indent of a list.</summary>
    public static double ListPaddingPx(Setting setting) => setting == Setting.Cell ? 20 : 24;

    /// <summary>Running text.</summary>
    public static TextStyle Text(SiteStyle style, Setting setting) =>
        new(style.TextPx, style.LineHeight, 400, false, 0, BetweenPx(setting));

    /// <param name="level">2 to 4; in a band that holds the page's title 1 too, set as 2.</param>
    public static TextStyle Heading(int level, Setting setting)
    {
        var after = BetweenPx(setting);
        return (setting, level) switch
        {
            (Setting.Cell, _) => new(20, 1.15, 500, false, 0, after, true),
            (Setting.Band, 1 or 2) => new(36, 1.15, 500, false, 36, after, true),
            (_, 2) => new(26, 1.15, 500, false, 36, after, true),
            (_, 3) => new(20, 1.15, 500, false, 28, after, true),
            _ => new(17, 1.15, 700, false, 28, after, true),
        };
    }

    /// <summary>Round the words of a button, CSS px.</summary>
    public const double ButtonInlinePx = 20,
        ButtonBlockPx = 10,
        ButtonLinePx = 1;

    /// <summary>The words of a button.</summary>
    public static TextStyle Button(Setting setting) => new(16, 1.4, 600, false, 0, BetweenPx(setting));

    /// <summary>A small line above a title.</summary>
    public static TextStyle Small => new(15, 1.4, 600, false, 0, 6);

    /// <summary>Between a picture and its caption, CSS px.</summary>
    public const double CaptionSpacePx = 6;

    /// <summary>Captions under pictures.</summary>
    public static TextStyle Caption => new(14, 1.4, 400, true, 0, 0);

    /// <summary>
    /// A row of a table of files: its words' size, their leading, and what stands above and below them, CSS px.
    /// </summary>
    public const double FilePx = 16,
        FileLine = 1.4,
        FileBlockPx = 8,
        FileTypePx = 72,
        FileSizePx = 88;

    /// <summary>Names in a list of files.</summary>
    public static TextStyle File => new(FilePx, FileLine, 400, false, 0, 0);

    /// <summary>How high a picture in a line is, CSS px; it never makes the line higher.</summary>
    public static double InLinePx(LineHeight height, TextStyle style) =>
        height == LineHeight.Line ? style.LinePx : style.SizePx;

    /// <summary>The style of a piece's words.</summary>
    public static TextStyle Of(Block block, SiteStyle style, Setting setting) =>
        block switch
        {
            HeadingBlock h => Heading(h.Level, setting),
            ButtonBlock => Button(setting),
            ParagraphBlock { IsSmall: true } => Small,
            _ => Text(style, setting),
        };

    /// <summary>What stands in a piece: how far in it begins, CSS px, and the style of its words.</summary>
    public static (double IndentPx, TextStyle Words) Inside(Block block, TextStyle style, Setting setting) =>
        block switch
        {
            ListBlock => (ListPaddingPx(setting), style with { AfterPx = ItemAfterPx }),
            QuoteBlock => (QuotePaddingPx + QuoteBorderPx, style with { Italic = true, AfterPx = QuoteAfterPx }),
            _ => (0, style),
        };
}
