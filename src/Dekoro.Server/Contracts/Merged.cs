namespace Dekoro.Server.Contracts;

public sealed record Merged(int Places);
