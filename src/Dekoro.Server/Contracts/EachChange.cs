namespace Dekoro.Server.Contracts;

/// <param name="Changes">At most one for each picture.</param>
public sealed record EachChange(IReadOnlyList<OneChange> Changes);
