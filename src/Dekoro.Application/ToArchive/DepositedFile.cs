namespace Dekoro.Application.ToArchive;

/// <param name="Path">Where it lies here.</param>
/// <param name="Name">That people know it by.</param>
/// <param name="Sha256">Hex.</param>
public sealed record DepositedFile(string Path, string Name, string MediaType, string Sha256);
