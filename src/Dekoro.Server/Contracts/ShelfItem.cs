namespace Dekoro.Server.Contracts;

public sealed record ShelfItem(string Id, string Name, bool HasTransparency);
