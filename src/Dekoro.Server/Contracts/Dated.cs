namespace Dekoro.Server.Contracts;

/// <param name="Words">When it is shown.</param>
public sealed record Dated(bool IsShown, string Words);
