namespace Dekoro.Core.Content;

/// <summary>The words of a piece without its marks.</summary>
public static class PlainText
{
    /// <summary>Line breaks and the items of a list are on lines of their own.</summary>
    public static string Of(Block block) =>
        block switch
        {
            ParagraphBlock p => Of(p.Inlines),
            HeadingBlock h => Of(h.Inlines),
            ButtonBlock b => b.Text,
            ListBlock l => string.Join(
                '\n',
                l.Items.Select((item, i) => (l.Ordered ? $"{i + 1}. " : "• ") + string.Join('\n', item.Select(Of)))
            ),
            QuoteBlock q => string.Join('\n', q.Blocks.Select(Of)),
            ColumnsBlock c => string.Join('\n', c.Pieces.Select(Of).Where(text => text.Length > 0)),
            BackdropBlock b => string.Join('\n', b.Blocks.Select(Of).Where(text => text.Length > 0)),
            FilesBlock f => string.Join('\n', f.Files.Select(file => file.Words).OfType<string>()),
            _ => "",
        };

    /// <summary>
    /// The words that a reader meets beside a piece: those that follow it, else those before; at most
    /// <paramref name="most"/> characters, ended at a word. Empty where it stands among no words.
    /// </summary>
    public static string Beside(Document page, string blockId, int most = 160)
    {
        if (page.Grounded.FirstOrDefault(b => b.Behind is not null && b.Id == blockId) is { } own)
            return Short(Of(own), most);
        var bands = page.Blocks.OfType<BandBlock>().Select(b => b.Blocks);
        var cells = bands
            .Prepend(page.Blocks)
            .SelectMany(blocks => blocks.OfType<ColumnsBlock>())
            .SelectMany(c => c.Cells)
            .Select(c => c.Blocks);
        var among = cells.Concat(bands).Prepend(page.Blocks).FirstOrDefault(blocks => blocks.Any(b => b.Id == blockId));
        if (among.IsDefault)
            return "";
        var at = among.Select(b => b.Id).ToList().IndexOf(blockId);
        var words = among
            .Skip(at + 1)
            .Take(1)
            .Concat(among.Take(at).Reverse().Take(1))
            .Select(Of)
            .FirstOrDefault(text => text.Trim().Length > 0, "");
        return Short(words, most);
    }

    private static string Short(string text, int most)
    {
        var words = text.ReplaceLineEndings(" ").Trim();
        if (words.Length <= most)
            return words;
        var end = words.LastIndexOf(' ', most - 1);
        return (end > 0 ? words[..end] : words[..(most - 1)]) + "…";
    }

    private static string Of(IEnumerable<Inline> inlines) =>
        string.Concat(
            inlines.Select(i =>
                i switch
                {
                    TextRun run => run.Text,
                    LineBreak => "\n",
                    _ => "",
                }
            )
        );
}
