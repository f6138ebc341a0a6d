namespace Dekoro.Server.Contracts;

/// <summary>Files that are no pictures.</summary>
public sealed record DownloadList(IReadOnlyList<DownloadItem> Items);
