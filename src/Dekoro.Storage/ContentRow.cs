namespace Dekoro.Storage;

/// <summary>A thing that is kept as one text: an arrangement, a banner.</summary>
/// <param name="Content">JSON text as Core writes it.</param>
public sealed record ContentRow(string Id, string Content, long Version, DateTimeOffset ChangedAt);
