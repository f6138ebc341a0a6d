namespace Dekoro.Core.Banners;

/// <summary>A page or post, as targets of banners see it.</summary>
/// <param name="Path">Its address under the site, without slashes at the ends.</param>
public sealed record BannerPage(string Id, bool IsPost, string Path)
{
    /// <summary>The folder of addresses that a post stands in; null for pages, and for posts in none.</summary>
    public string? Folder => IsPost && Path.LastIndexOf('/') is > 0 and var end ? Path[..end] : null;
}
