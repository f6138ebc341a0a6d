namespace Dekoro.Application.ToArchive;

/// <summary>Where pictures are handed to the archive.</summary>
/// <param name="Address">Of its service for deposits (SWORD 3.0); one that begins with a slash stands on this
/// server.</param>
/// <param name="Token">That it asks for; empty for none.</param>
public sealed record DepositAddress(string Address, string Token);
