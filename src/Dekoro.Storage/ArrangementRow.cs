namespace Dekoro.Storage;

/// <param name="Content">JSON text as Core writes it.</param>
public sealed record ArrangementRow(string Id, string Content, long Version, DateTimeOffset ChangedAt);
