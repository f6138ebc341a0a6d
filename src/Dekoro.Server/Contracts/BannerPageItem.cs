namespace Dekoro.Server.Contracts;

/// <summary>A page on which banners may stand.</summary>
/// <param name="Kind">page or post.</param>
public sealed record BannerPageItem(string Id, string Kind, string Title, string Path);
