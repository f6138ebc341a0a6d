namespace Dekoro.Server.Contracts;

/// <param name="Pages">Titles of the pages it stands on.</param>
public sealed record StillStanding(string Id, string Title, IReadOnlyList<string> Pages);
