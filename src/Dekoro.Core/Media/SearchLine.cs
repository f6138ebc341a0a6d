namespace Dekoro.Core.Media;

/// <summary>How a search is typed, whatever is searched.</summary>
public static class SearchLine
{
    /// <summary>
    /// Parts between spaces; quotation marks hold spaces together, and one that is never closed reaches to the end.
    /// </summary>
    public static IEnumerable<string> Tokens(string line)
    {
        var (start, quoted) = (-1, false);
        for (var i = 0; i <= line.Length; i++)
        {
            var ends = i == line.Length || (char.IsWhiteSpace(line[i]) && !quoted);
            if (!ends)
            {
                if (line[i] == '"')
                    quoted = !quoted;
                if (start < 0)
                    start = i;
                continue;
            }
            if (start >= 0)
                yield return line[start..i];
            start = -1;
        }
    }
}
