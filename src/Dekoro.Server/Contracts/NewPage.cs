namespace Dekoro.Server.Contracts;

public sealed record NewPage(string Kind, string Title);
