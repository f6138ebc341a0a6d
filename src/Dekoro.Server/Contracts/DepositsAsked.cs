namespace Dekoro.Server.Contracts;

/// <param name="Count">Of pictures that are on their way to the archive, or there.</param>
public sealed record DepositsAsked(int Count);
