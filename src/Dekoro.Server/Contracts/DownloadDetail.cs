namespace Dekoro.Server.Contracts;

/// <param name="Text">How a text begins; null for other kinds.</param>
public sealed record DownloadDetail(DownloadItem File, string? Text);
