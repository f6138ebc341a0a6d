namespace Dekoro.Server.Contracts;

public sealed record QuarantineList(IReadOnlyList<QuarantineItem> Files, int WaitDays);
