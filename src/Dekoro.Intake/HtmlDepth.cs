using System.Text;

namespace Dekoro.Intake;

/// <summary>
/// Takes out tags that would nest elements too deeply, before a tree is built of them; what stands between them stays.
/// One pass, in time and memory that grow with the length alone.
/// </summary>
/// <remarks>HTML, 13.2.5 (tokenization) as far as tags are told from text; elements whose end tag may be left out do
/// not nest in themselves (13.1.2.4).</remarks>
internal static class HtmlDepth
{
    /// <summary>
    /// They hold nothing, or are closed by the next of their kind: they deepen a page through others alone.
    /// </summary>
    private static readonly HashSet<string> Flat = new(StringComparer.OrdinalIgnoreCase)
    {
        "area",
        "base",
        "br",
        "col",
        "embed",
        "hr",
        "img",
        "input",
        "link",
        "meta",
        "param",
        "source",
        "track",
        "wbr",
        "html",
        "head",
        "body",
        "p",
        "li",
        "dt",
        "dd",
        "option",
        "optgroup",
        "tr",
        "td",
        "th",
        "thead",
        "tbody",
        "tfoot",
        "colgroup",
        "caption",
        "rp",
        "rt",
    };

    /// <summary>What stands in them is no markup.</summary>
    private static readonly HashSet<string> Raw = new(StringComparer.OrdinalIgnoreCase)
    {
        "script",
        "style",
        "textarea",
        "title",
        "xmp",
        "noframes",
        "plaintext",
    };

    /// <summary>
    /// They come back in the next block where they were left open (13.2.4.3), so that only their own end tag ends them.
    /// </summary>
    private static readonly HashSet<string> Formatting = new(StringComparer.OrdinalIgnoreCase)
    {
        "a",
        "b",
        "big",
        "code",
        "em",
        "font",
        "i",
        "nobr",
        "s",
        "small",
        "strike",
        "strong",
        "tt",
        "u",
    };

    /// <summary>An end tag of anything else does not reach past one of these (13.2.6.4.7, any other end tag).</summary>
    private static readonly HashSet<string> Special = new(StringComparer.OrdinalIgnoreCase)
    {
        "address",
        "applet",
        "article",
        "aside",
        "blockquote",
        "button",
        "center",
        "details",
        "dir",
        "div",
        "dl",
        "fieldset",
        "figcaption",
        "figure",
        "footer",
        "form",
        "frameset",
        "h1",
        "h2",
        "h3",
        "h4",
        "h5",
        "h6",
        "header",
        "hgroup",
        "iframe",
        "listing",
        "main",
        "marquee",
        "menu",
        "nav",
        "noembed",
        "noscript",
        "object",
        "ol",
        "pre",
        "search",
        "section",
        "select",
        "summary",
        "table",
        "template",
        "ul",
    };

    public static string Cut(string html, int most)
    {
        var open = new List<(string Name, bool IsKept)>();
        var (text, from, depth) = (new StringBuilder(), 0, 0);
        for (var at = html.IndexOf('<'); at >= 0; at = html.IndexOf('<', at))
        {
            if (!BeginsTag(html, at))
            {
                at++;
                continue;
            }
            var end = EndOf(html, at);
            var isEnd = at + 1 < html.Length && html[at + 1] == '/';
            var name = NameAt(html, at + (isEnd ? 2 : 1));
            if (name.Length == 0 || Flat.Contains(name))
            {
                at = end;
                continue;
            }
            if (Raw.Contains(name))
            {
                at = isEnd ? end : EndOfRaw(html, end, name);
                continue;
            }
            var isKept = isEnd ? Close(open, name, ref depth) : depth < most;
            if (!isEnd && !IsSelfClosed(html, at, end))
            {
                open.Add((name, isKept));
                if (isKept)
                    depth++;
            }
            if (!isKept)
            {
                text.Append(html, from, at - from);
                from = end;
            }
            at = end;
        }
        return from == 0 ? html : text.Append(html, from, html.Length - from).ToString();
    }

    /// <summary>
    /// Closes the nearest of a name, with those inside it that were left open; what counts as open is rather too much
    /// than too little.
    /// </summary>
    /// <returns>Whether the end tag stays: its beginning did, or there was none.</returns>
    private static bool Close(List<(string Name, bool IsKept)> open, string name, ref int depth)
    {
        // Far up only what is out of order looks: looking on for every such tag would take the square of the length.
        const int farUp = 600;
        var (isFormatting, isSpecial) = (Formatting.Contains(name), Special.Contains(name));
        for (var i = open.Count - 1; i >= Math.Max(0, open.Count - farUp); i--)
        {
            if (!open[i].Name.Equals(name, StringComparison.OrdinalIgnoreCase))
            {
                var isWall =
                    isSpecial || isFormatting
                        ? open[i].Name.Equals("table", StringComparison.OrdinalIgnoreCase)
                        : Special.Contains(open[i].Name);
                if (isWall)
                    return true;
                continue;
            }
            var isKept = open[i].IsKept;
            for (var above = open.Count - 1; above >= i; above--)
            {
                if (above > i && (isFormatting || Formatting.Contains(open[above].Name)))
                    continue;
                if (open[above].IsKept)
                    depth--;
                open.RemoveAt(above);
            }
            return isKept;
        }
        return true;
    }

    private static bool BeginsTag(string html, int at) =>
        at + 1 < html.Length && (char.IsAsciiLetter(html[at + 1]) || html[at + 1] is '/' or '!' or '?');

    private static int EndOf(string html, int at)
    {
        if (string.CompareOrdinal(html, at, "<!--", 0, 4) == 0)
        {
            var comment = html.IndexOf("-->", at + 4, StringComparison.Ordinal);
            return comment < 0 ? html.Length : comment + 3;
        }
        var (quote, last, before) = ('\0', '\0', '\0');
        for (var i = at + 1; i < html.Length; i++)
        {
            var c = html[i];
            if (quote != '\0')
                quote = c == quote ? '\0' : quote;
            else if (c == '>')
                return i + 1;
            // A quote opens a value after one equals sign, and is a letter like any other elsewhere.
            else if (c is '"' or '\'' && last == '=' && before != '=')
                quote = c;
            if (!char.IsWhiteSpace(c))
                (before, last) = (last, c);
        }
        return html.Length;
    }

    private static int EndOfRaw(string html, int from, string name)
    {
        var end = html.IndexOf("</" + name, from, StringComparison.OrdinalIgnoreCase);
        return end < 0 ? html.Length : end;
    }

    /// <summary>
    /// Of drawings and formulas alone; elsewhere the slash says nothing, and the tag only seems less deep than it is by
    /// one.
    /// </summary>
    private static bool IsSelfClosed(string html, int at, int end) =>
        end - 2 > at && html[end - 1] == '>' && html[end - 2] == '/';

    private static string NameAt(string html, int at)
    {
        if (at >= html.Length || !char.IsAsciiLetter(html[at]))
            return "";
        var end = at;
        while (end < html.Length && !char.IsWhiteSpace(html[end]) && html[end] is not ('>' or '/'))
            end++;
        return html[at..end];
    }
}
