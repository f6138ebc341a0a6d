namespace Dekoro.Server.Contracts;

/// <summary>Pages in the order of the menu.</summary>
public sealed record PageOrder(IReadOnlyList<string> Ids);
