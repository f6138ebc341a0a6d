namespace Dekoro.Server.Contracts;

/// <summary>Where pictures are handed to the archive; the token itself is never told.</summary>
public sealed record DepositAddressResponse(string Address, bool HasToken);
