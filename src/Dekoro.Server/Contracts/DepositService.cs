namespace Dekoro.Server.Contracts;

/// <summary>What the archive says of itself.</summary>
/// <param name="MaxBytes">Of one file; null where it does not say.</param>
public sealed record DepositService(string Title, long? MaxBytes);
