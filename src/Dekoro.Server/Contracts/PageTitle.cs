namespace Dekoro.Server.Contracts;

/// <summary>A page by its name.</summary>
public sealed record PageTitle(string Id, string Title);
