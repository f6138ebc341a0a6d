namespace Dekoro.Server.Contracts;

/// <param name="Schema">Number of the newest migration in the database.</param>
public sealed record Health(string Status, string Version, long Schema);
