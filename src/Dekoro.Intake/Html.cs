using System.Diagnostics;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;

namespace Dekoro.Intake;

/// <summary>
/// Parses HTML that nobody has vouched for: nested so deeply at most, in so much time, and with nothing loaded or run.
/// </summary>
internal static class Html
{
    /// <summary>
    /// Deeper than any page that people write; a parser's work grows with the depth times the length.
    /// </summary>
    public const int MaxDepth = 500;

    private const int MaxElements = 300_000;

    /// <summary>For parsing and reading together: many times what five megabytes take.</summary>
    private static readonly TimeSpan MaxTime = TimeSpan.FromSeconds(20);

    /// <exception cref="UnreadableException">More than <see cref="MaxTime"/> or <see
    /// cref="MaxElements"/>.</exception>
    public static (IDocument Document, Budget Budget) Parse(string html)
    {
        var budget = new Budget();
        var parser = new HtmlParser(new HtmlParserOptions { OnCreated = (_, _) => budget.Spend() });
        // Without a browsing context nothing is loaded and no script can run.
        return (parser.ParseDocument(HtmlDepth.Cut(html, MaxDepth)), budget);
    }

    /// <summary>What is left of the time.</summary>
    public sealed class Budget
    {
        private readonly Stopwatch _clock = Stopwatch.StartNew();
        private int _elements;

        /// <exception cref="UnreadableException">It is used up.</exception>
        public void Spend()
        {
            if (++_elements > MaxElements || _clock.Elapsed > MaxTime)
                throw new UnreadableException(
                    "This text is so large or so deeply nested that reading it would hold everything up: take "
                        + "the part that is needed."
                );
        }
    }
}
