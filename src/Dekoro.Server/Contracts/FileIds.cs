namespace Dekoro.Server.Contracts;

/// <summary>Pictures by their ids.</summary>
public sealed record FileIds(IReadOnlyList<string> Ids);
