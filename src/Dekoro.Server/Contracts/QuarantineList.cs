namespace Dekoro.Server.Contracts;

/// <summary>Files that no record names, and for how long they wait.</summary>
public sealed record QuarantineList(IReadOnlyList<QuarantineItem> Files, int WaitDays);
