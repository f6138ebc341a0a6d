namespace Dekoro.Server.Contracts;

public sealed record ArrangementList(IReadOnlyList<ArrangementItemInList> Arrangements);
