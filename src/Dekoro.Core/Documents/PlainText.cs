namespace Dekoro.Core.Documents;

/// <summary>The words of a piece without its marks.</summary>
public static class PlainText
{
    /// <summary>Line breaks and the items of a list are on lines of their own.</summary>
    public static string Of(Block block) => block switch
    {
        ParagraphBlock p => Of(p.Inlines),
        HeadingBlock h => Of(h.Inlines),
        ListBlock l => string.Join('\n', l.Items.Select((item, i) => (l.Ordered ? $"{i + 1}. " : "• ") + string.Join('\n', item.Select(Of)))),
        QuoteBlock q => string.Join('\n', q.Blocks.Select(Of)),
        _ => "",
    };

    private static string Of(IEnumerable<Inline> inlines) => string.Concat(inlines.Select(i => i is TextRun run ? run.Text : "\n"));
}
