namespace Dekoro.Server.Contracts;

/// <summary>The patterns that come with the application.</summary>
public sealed record ShelfList(IReadOnlyList<ShelfItem> Patterns);
