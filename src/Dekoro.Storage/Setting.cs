namespace Dekoro.Storage;

/// <param name="Version">Counts its changes; 0 where it was never set.</param>
public sealed record Setting(string? Json, long Version);
