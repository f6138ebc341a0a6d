namespace Dekoro.Server.Contracts;

/// <param name="Pictures">In their order.</param>
public sealed record NewArrangement(string Name, IReadOnlyList<string> Pictures);
