namespace Dekoro.Server.Contracts;

/// <summary>What somebody says of two pictures that look the same.</summary>
public sealed record TwinSaid(bool AreSame);
