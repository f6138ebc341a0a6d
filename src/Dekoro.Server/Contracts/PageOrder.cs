namespace Dekoro.Server.Contracts;

public sealed record PageOrder(IReadOnlyList<string> Ids);
