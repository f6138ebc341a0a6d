namespace Dekoro.Server.Contracts;

public sealed record GivenAddress(string Address);
