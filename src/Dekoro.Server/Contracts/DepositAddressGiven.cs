namespace Dekoro.Server.Contracts;

/// <param name="Address">Of the archive's service for deposits, as it was typed.</param>
/// <param name="Token">Null: the one that is set stays, as long as the address is on the same host.</param>
public sealed record DepositAddressGiven(string Address, string? Token = null);
