namespace Dekoro.Application.Publication;

/// <summary>A part as a release names it.</summary>
/// <param name="Sha256">Of what is written of it; a name for all that is in it.</param>
public sealed record KeptPart(string Key, string Fingerprint, bool IsAwaited, string Sha256);
