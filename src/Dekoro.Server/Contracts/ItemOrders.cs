namespace Dekoro.Server.Contracts;

/// <summary>
/// Ids of items as they stand sorted: by title, by the day they were taken or came in, and from the widest to the
/// narrowest.
/// </summary>
public sealed record ItemOrders(IReadOnlyList<string> Name, IReadOnlyList<string> Date, IReadOnlyList<string> Shape);
