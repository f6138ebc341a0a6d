namespace Dekoro.Storage;

/// <param name="Sha256">Of its content; hex.</param>
public sealed record MadeFile(string Name, long Bytes, string Sha256);
