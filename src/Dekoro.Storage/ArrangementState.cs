namespace Dekoro.Storage;

/// <summary>How an arrangement stood at a time.</summary>
/// <param name="Content">JSON text as Core writes it.</param>
/// <param name="KeptBy">The name they gave; may be empty.</param>
public sealed record ArrangementState(
    string ArrangementId,
    long Version,
    string Content,
    string KeptBy,
    DateTimeOffset BeganAt,
    DateTimeOffset KeptAt
);
