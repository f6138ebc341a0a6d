using Dekoro.Core.Content;

namespace Dekoro.Core.Layout;

/// <param name="Path">Its address under the site, without slashes at the ends; "" is the front page.</param>
public sealed record PageSource(string Id, string Title, string Path, string Summary, Document Document)
{
    /// <summary>It stands in a frame of another site: without the bar, title and foot of this one.</summary>
    public bool IsBare { get; init; }

    /// <summary>What it belongs to, where it shows further pictures of a gallery; null for a page itself.</summary>
    public GalleryPage? Sheet { get; init; }

    /// <summary>The page that people know, of which this is all or a part.</summary>
    public PageSource Main => Sheet?.Page ?? this;
}
