namespace Dekoro.Core.Layout;

/// <summary>A gallery's further pictures, on an address of their own.</summary>
/// <param name="Page">The page that it belongs to, which shows the first of them.</param>
public sealed record GalleryPage(ResolvedPage Page, string SetId);
