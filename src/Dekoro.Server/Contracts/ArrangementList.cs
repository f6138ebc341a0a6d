namespace Dekoro.Server.Contracts;

/// <summary>All arrangements, the one changed last first.</summary>
public sealed record ArrangementList(IReadOnlyList<ArrangementItemInList> Arrangements);
