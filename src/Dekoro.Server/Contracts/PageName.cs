namespace Dekoro.Server.Contracts;

/// <param name="Kind">page or post.</param>
public sealed record PageName(string Id, string Kind, string Title, string Path, bool IsOn);
