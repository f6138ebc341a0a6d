namespace Dekoro.Server.Contracts;

/// <param name="Written">How the link is kept; null where it leads nowhere.</param>
public sealed record LinkResponse(string? Written, string? Repair, string? Error);
