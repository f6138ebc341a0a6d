namespace Dekoro.Server.Contracts;

/// <param name="Html">As the public page has it, with proof addresses; null where it is as in the look before.</param>
public sealed record BlockResponse(string Id, string? Html);
