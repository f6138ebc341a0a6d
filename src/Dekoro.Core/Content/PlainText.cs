namespace Dekoro.Core.Content;

/// <summary>The words beside a piece, without their marks.</summary>
public static class PlainText
{
    /// <summary>
    /// The words that a reader meets beside a piece: those that follow it, else those before; at most
    /// <paramref name="most"/> characters, ended at a word. Empty where it stands among no words.
    /// </summary>
    public static string Beside(Document page, string blockId, int most = 160)
    {
        if (page.Backdrops.FirstOrDefault(b => b.Behind is not null && b.Id == blockId) is { } own)
            return Short(own.ToPlainText(), most);
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
            .Select(b => b.ToPlainText())
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
}
