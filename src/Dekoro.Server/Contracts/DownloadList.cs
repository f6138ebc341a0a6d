namespace Dekoro.Server.Contracts;

public sealed record DownloadList(IReadOnlyList<DownloadItem> Items);
