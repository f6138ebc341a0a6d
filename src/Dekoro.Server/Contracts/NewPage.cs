namespace Dekoro.Server.Contracts;

/// <summary>A page or post to make.</summary>
public sealed record NewPage(string Kind, string Title);
