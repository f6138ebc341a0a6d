using Dekoro.Core.Arrangements;

namespace Dekoro.Server.Contracts;

/// <param name="Pictures">The first few that visitors see.</param>
/// <param name="Count">How many it holds.</param>
public sealed record ArrangementItemInList(
    string Id,
    string Name,
    ArrangementKind Kind,
    int Count,
    IReadOnlyList<string> Pictures,
    IReadOnlyList<PageTitle> UsedIn,
    DateTimeOffset ChangedAt
);
