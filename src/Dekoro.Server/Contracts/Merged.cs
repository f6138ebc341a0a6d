namespace Dekoro.Server.Contracts;

/// <summary>How many places show the picture that stayed.</summary>
public sealed record Merged(int Places);
