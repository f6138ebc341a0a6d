namespace Dekoro.Storage;

/// <param name="Folder">Name of the release's folder, from its content.</param>
public sealed record Release(string Folder, DateTimeOffset PublishedAt, int Files, long Bytes);
