using AngleSharp.Html;
using AngleSharp.Html.Parser;

namespace Dekoro.Publishing;

/// <summary>Markup laid out for people.</summary>
public static class Readable
{
    /// <param name="html">A piece of a page.</param>
    public static string Html(string html)
    {
        var parser = new HtmlParser();
        var body = parser.ParseDocument("").Body!;
        using var text = new StringWriter();
        var format = new PrettyMarkupFormatter { Indentation = "  ", NewLine = "\n" };
        foreach (var node in parser.ParseFragment(html, body))
            node.ToHtml(text, format);
        return text.ToString().Trim();
    }
}
