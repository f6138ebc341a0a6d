using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Banners;
using Dekoro.Core.Content;

namespace Dekoro.Core.Layout;

/// <summary>A page as it is planned: its arrangements are looked up.</summary>
public sealed record ResolvedPage
{
    /// <summary>The heading of a page that a banner holds.</summary>
    public const int PageTitleLevel = 1;

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

    /// <summary>What stands at the top of it on the day it is planned for; null for nothing.</summary>
    public Banner? Banner { get; private init; }

    /// <summary>The banner's band as the page shows it.</summary>
    public BandBlock? Top => Document.Blocks is [BandBlock { IsBanner: true } band, ..] ? band : null;

    /// <summary>The page's own pieces, without a banner over them.</summary>
    public ImmutableArray<Block> Pieces => Top is null ? Document.Blocks : Document.Blocks.RemoveAt(0);

    /// <summary>It stands in a frame of another site: without the bar, title and foot of this one.</summary>
    public bool IsBare { get; internal init; }

    /// <summary>What it belongs to, where it shows further pictures of a gallery; null for a page itself.</summary>
    public GalleryPage? Sheet { get; internal init; }

    /// <summary>The page that people know, of which this is all or a part.</summary>
    public ResolvedPage Main => Sheet?.Page ?? this;

    /// <summary>The arrangements that stand on it.</summary>
    public IEnumerable<ResolvedArrangement> Arrangements => ResolvedBlocks.ShownOn(Document);

    /// <summary>The same page with a banner at its top.</summary>
    /// <param name="find">An arrangement by its id, as it is now; null for one that is no more.</param>
    public ResolvedPage WithBanner(Banner? banner, Func<string, Arrangement?> find)
    {
        if (banner is null || banner.Band.IsEmpty)
            return this;
        var band = banner.Band with { Id = Banners.Banner.BlockId, IsBanner = true };
        if (banner.HoldsTitle)
            band = band with { Blocks = Titled(band.Blocks) };
        var top = new Document([band]).Resolved(find);
        return this with { Banner = banner, Document = new(Document.Blocks.Insert(0, top.Blocks[0])) };
    }

    /// <summary>The page's title in the place of the banner's own, or before its words where it has none.</summary>
    private ImmutableArray<Block> Titled(ImmutableArray<Block> blocks)
    {
        var at = blocks.Select((block, i) => (block, i)).FirstOrDefault(b => b.block is HeadingBlock, (null!, -1)).i;
        var title = new HeadingBlock("banner-title", PageTitleLevel, [new TextRun(Title)]);
        return at < 0 ? blocks.Insert(0, title) : blocks.SetItem(at, title);
    }

    /// <param name="find">An arrangement by its id, as it is now; null for one that is no more.</param>
    public static ResolvedPage Of(string id, PageText page, Func<string, Arrangement?> find) =>
        new(id, page.Title, page.Path, page.Summary, page.Document.Resolved(find));
}
