namespace Dekoro.Storage;

/// <summary>An original that no record names.</summary>
/// <param name="Name">Names it in lists and commands.</param>
/// <param name="Since">When it was found.</param>
public sealed record QuarantinedFile(string Name, string Sha256, long Bytes, DateTimeOffset Since);
