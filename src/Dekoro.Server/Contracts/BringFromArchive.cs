namespace Dekoro.Server.Contracts;

public sealed record BringFromArchive(string Address, IReadOnlyList<int> Items);
