namespace Dekoro.Server.Contracts;

/// <param name="Picture">The still, in the library now.</param>
public sealed record VideoResponse(string Address, string Player, string Title, string Picture);
