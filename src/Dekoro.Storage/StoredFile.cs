namespace Dekoro.Storage;

/// <param name="Sha256">Hex.</param>
public sealed record StoredFile(string Sha256, long Bytes, string Path);
