namespace Dekoro.Storage;

/// <param name="State">running, done or failed.</param>
/// <param name="Progress">JSON.</param>
/// <param name="Result">JSON; null until it is done.</param>
public sealed record StoredJob(string Id, string State, string Progress, string? Result, DateTimeOffset BeganAt);
