namespace Dekoro.Server.Contracts;

/// <summary>Pictures that were asked for.</summary>
public sealed record SomeFiles(IReadOnlyList<FileItem> Items);
