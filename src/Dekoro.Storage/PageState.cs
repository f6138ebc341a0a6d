namespace Dekoro.Storage;

/// <summary>How a page stood at a time.</summary>
/// <param name="Version">Of the draft when it was last kept in this state.</param>
/// <param name="KeptBy">The name they gave; may be empty.</param>
public sealed record PageState(
    string PageId,
    long Version,
    string Title,
    string Summary,
    string Draft,
    string KeptBy,
    DateTimeOffset BeganAt,
    DateTimeOffset KeptAt
);
