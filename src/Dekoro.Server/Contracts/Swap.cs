namespace Dekoro.Server.Contracts;

/// <param name="With">The picture that comes.</param>
/// <param name="Places">Null: everywhere.</param>
public sealed record Swap(string With, IReadOnlyList<SwappedPlace>? Places = null);
