namespace Dekoro.Server.Contracts;

/// <param name="Address">Of the public site; empty where it was never said.</param>
/// <param name="Collection">Where viewers begin; empty without an address.</param>
public sealed record IiifResponse(bool IsOn, string Address, string Collection);
