namespace Dekoro.Server.Contracts;

public sealed record SomeFiles(IReadOnlyList<FileItem> Items);
