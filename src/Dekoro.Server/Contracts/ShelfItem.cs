namespace Dekoro.Server.Contracts;

/// <summary>A pattern that comes with the application.</summary>
public sealed record ShelfItem(string Id, string Name, bool HasTransparency);
