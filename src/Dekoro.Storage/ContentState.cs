namespace Dekoro.Storage;

/// <summary>How such a thing stood at a time.</summary>
/// <param name="Content">JSON text as Core writes it.</param>
/// <param name="KeptBy">The name they gave; may be empty.</param>
public sealed record ContentState(
    string Id,
    long Version,
    string Content,
    string KeptBy,
    DateTimeOffset BeganAt,
    DateTimeOffset KeptAt
);
