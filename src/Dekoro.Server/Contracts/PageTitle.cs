namespace Dekoro.Server.Contracts;

public sealed record PageTitle(string Id, string Title);
