namespace Dekoro.Server.Contracts;

/// <summary>The order and shape of all that a search finds: enough to lay it out before any of it is loaded.</summary>
/// <param name="Shapes">Width over height in thousandths, as drawn: through a place in the place's cut.</param>
public sealed record FileOutline(IReadOnlyList<string> Ids, IReadOnlyList<int> Shapes);
