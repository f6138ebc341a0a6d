namespace Dekoro.Server.Contracts;

/// <summary>What has not reached the archive yet.</summary>
/// <param name="Items">The first of them, refused ones before those that wait.</param>
public sealed record DepositList(int Waiting, int Refused, IReadOnlyList<DepositItem> Items);
