namespace Dekoro.Core.Arrangements;

/// <summary>What stands over a slide; at least one of them is not empty.</summary>
/// <param name="Link">Where the button leads, as it is written in the document.</param>
public sealed record SlideWords(string Title, string Text, string Button, string Link)
{
    /// <summary>All that is there to read.</summary>
    public string Read => string.Join(' ', new[] { Title, Text, Button }.Where(words => words.Length > 0));

    /// <returns>Null where nothing is said.</returns>
    public static SlideWords? Of(string? title, string? text, string? button, string? link) =>
        new SlideWords(title?.Trim() ?? "", text?.Trim() ?? "", button?.Trim() ?? "", link?.Trim() ?? "")
            is { Read.Length: > 0 } words
            ? words
            : null;
}
