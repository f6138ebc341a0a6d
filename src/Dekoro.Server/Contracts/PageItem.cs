namespace Dekoro.Server.Contracts;

/// <param name="State">off, draft, changed or published.</param>
/// <param name="Date">Of a post: the day that visitors read beside it; null for none.</param>
/// <param name="Pictures">Ids of the pictures on it, in order.</param>
public sealed record PageItem(
    string Id,
    string Kind,
    string Title,
    string Path,
    string Summary,
    string State,
    bool IsOn,
    DateOnly? Date,
    DateTimeOffset ChangedAt,
    DateTimeOffset? PublishedAt,
    IReadOnlyList<string> Pictures,
    int Notices
);
