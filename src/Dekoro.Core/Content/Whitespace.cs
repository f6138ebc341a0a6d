using System.Collections.Immutable;
using System.Text;

namespace Dekoro.Core.Content;

/// <summary>
/// Spaces that a browser would not show are taken out, so that the desk and the page lay out the same text.
/// </summary>
public static class Whitespace
{
    /// <summary>
    /// Runs of spaces, tabs and line ends become one space, also across runs of text; none stays at the start or end or
    /// beside a line break (CSS Text 3, 4.1). Equal neighbours merge. No-break spaces are words and stay.
    /// </summary>
    public static ImmutableArray<Inline> Collapse(IReadOnlyList<Inline> inlines)
    {
        var result = new List<Inline>();
        var afterSpace = true;
        foreach (var inline in inlines)
        {
            if (inline is LinePicture)
            {
                // It stands in the line as a letter does.
                result.Add(inline);
                afterSpace = false;
                continue;
            }
            if (inline is not TextRun run)
            {
                TrimEnd(result);
                result.Add(inline);
                afterSpace = true;
                continue;
            }
            var text = new StringBuilder(run.Text.Length);
            foreach (var c in run.Text)
            {
                var space = c is ' ' or '\t' or '\n' or '\r' or '\f';
                if (!space)
                    text.Append(c);
                else if (!afterSpace)
                    text.Append(' ');
                afterSpace = space;
            }
            if (text.Length == 0)
                continue;
            if (result is [.., TextRun last] && last with { Text = "" } == run with { Text = "" })
                result[^1] = last with { Text = last.Text + text };
            else
                result.Add(run with { Text = text.ToString() });
        }
        TrimEnd(result);
        while (result is [.., LineBreak])
        {
            result.RemoveAt(result.Count - 1);
            TrimEnd(result);
        }
        return [.. result];
    }

    private static void TrimEnd(List<Inline> inlines)
    {
        while (inlines is [.., TextRun last] && last.Text.EndsWith(' '))
        {
            inlines.RemoveAt(inlines.Count - 1);
            if (last.Text.Length > 1)
                inlines.Add(last with { Text = last.Text[..^1] });
        }
    }
}
