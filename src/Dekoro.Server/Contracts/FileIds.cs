namespace Dekoro.Server.Contracts;

public sealed record FileIds(IReadOnlyList<string> Ids);
