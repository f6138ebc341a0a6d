namespace Dekoro.Application.Hosting;

/// <param name="Name">Which kind: library, page, job.</param>
/// <param name="Data">As JSON.</param>
public sealed record ServerEvent(string Name, string Data);
