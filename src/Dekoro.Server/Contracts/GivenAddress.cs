namespace Dekoro.Server.Contracts;

/// <summary>An address as it was typed.</summary>
public sealed record GivenAddress(string Address);
