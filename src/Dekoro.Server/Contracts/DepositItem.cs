namespace Dekoro.Server.Contracts;

/// <summary>One picture that is on its way to the archive, or was refused.</summary>
public sealed record DepositItem(string Id, string Title, DepositResponse Deposit);
