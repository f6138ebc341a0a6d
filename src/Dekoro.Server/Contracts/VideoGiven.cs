namespace Dekoro.Server.Contracts;

/// <param name="Address">Of a video's page on another site.</param>
public sealed record VideoGiven(string Address);
