using System.Net;
using AngleSharp.Html;
using AngleSharp.Html.Parser;

namespace Dekoro.Publishing;

/// <summary>Markup laid out for people.</summary>
public static class Readable
{
    /// <summary>A piece of a page as a page of its own, in the dress of the public site.</summary>
    /// <param name="root">Address of the public site, with its slash at the end.</param>
    public static string Alone(string html, string title, string language, string root)
    {
        var said = new { Title = WebUtility.HtmlEncode(title), Root = WebUtility.HtmlEncode(root) };
        return $"""
            <!DOCTYPE html>
            <html lang="{WebUtility.HtmlEncode(language)}">
            <head>
              <meta charset="utf-8">
              <meta name="viewport" content="width=device-width, initial-scale=1">
              <title>{said.Title}</title>
              <link rel="stylesheet" href="{said.Root}assets/sets.css">
              <link rel="stylesheet" href="{said.Root}assets/site.css">
            </head>
            <body>
            <div class="page"><main id="content"><div class="column">
            {html}
            </div></main></div>
            </body>
            </html>

            """;
    }

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
