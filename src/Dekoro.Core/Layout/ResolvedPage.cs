using Dekoro.Core.Arrangements;
using Dekoro.Core.Content;

namespace Dekoro.Core.Layout;

/// <summary>A page as it is planned: its arrangements are looked up.</summary>
public sealed record ResolvedPage
{
    private ResolvedPage(string id, string title, string path, string summary, Document document) =>
        (Id, Title, Path, Summary, Document) = (id, title, path, summary, document);

    /// <summary>The page's own; that of a part of a gallery names the part.</summary>
    public string Id { get; internal init; }

    /// <summary>As people wrote it.</summary>
    public string Title { get; }

    /// <summary>Its address under the site, without slashes at the ends; "" is the front page.</summary>
    public string Path { get; internal init; }

    /// <summary>What it is about, for lists of pages.</summary>
    public string Summary { get; }

    /// <summary>In it only arrangements that are no more stand by their ids.</summary>
    public Document Document { get; internal init; }

    /// <summary>It stands in a frame of another site: without the bar, title and foot of this one.</summary>
    public bool IsBare { get; internal init; }

    /// <summary>What it belongs to, where it shows further pictures of a gallery; null for a page itself.</summary>
    public GalleryPage? Sheet { get; internal init; }

    /// <summary>The page that people know, of which this is all or a part.</summary>
    public ResolvedPage Main => Sheet?.Page ?? this;

    /// <summary>The arrangements that stand on it.</summary>
    public IEnumerable<ResolvedArrangement> Arrangements => ResolvedBlocks.ShownOn(Document);

    /// <param name="find">An arrangement by its id, as it is now; null for one that is no more.</param>
    public static ResolvedPage Of(string id, PageText page, Func<string, Arrangement?> find) =>
        new(id, page.Title, page.Path, page.Summary, page.Document.Resolved(find));
}
