namespace Dekoro.Server.Contracts;

public sealed record ShelfList(IReadOnlyList<ShelfItem> Patterns);
