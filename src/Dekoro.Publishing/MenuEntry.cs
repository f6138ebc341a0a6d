namespace Dekoro.Publishing;

/// <param name="Path">Under the site, "" for the front page.</param>
public sealed record MenuEntry(string PageId, string Title, string Path, string Summary)
{
    /// <summary>Of a post: the day that visitors read beside it; null for none.</summary>
    public DateOnly? Dated { get; init; }
}
