namespace Dekoro.Storage;

/// <summary>A page or post. Documents are JSON text as Core writes it.</summary>
/// <param name="Path">Under the site; "" is the front page.</param>
/// <param name="Published">What the public site was last made from: title, path, summary and document; null if
/// never.</param>
public sealed record PageRow(
    string Id,
    string Kind,
    string Title,
    string Path,
    string Summary,
    int Position,
    bool IsOn,
    string Draft,
    long Version,
    DateTimeOffset ChangedAt,
    string? Published,
    DateTimeOffset? PublishedAt
)
{
    /// <summary>Of a post: the day that visitors read beside it; null for none.</summary>
    public DateOnly? Dated { get; init; }
}
