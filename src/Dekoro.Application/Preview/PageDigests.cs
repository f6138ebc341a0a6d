using System.Collections.Concurrent;
using System.Collections.Immutable;
using Dekoro.Application.Hosting;
using Dekoro.Application.Site;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Banners;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;
using Dekoro.Imaging;
using Dekoro.Publishing;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>Keeps the digest of each page for as long as what it was worked out from is the same.</summary>
/// <param name="beside">Those of another day: what is the same on both is worked out once; null for none.</param>
public sealed class PageDigests(Func<KnownPage, PlanFacts> factsOf, PageDigests? beside = null)
{
    /// <summary>Names the build of what plans and writes: another may write otherwise.</summary>
    public static string Program { get; } =
        string.Join(
            ' ',
            new[] { typeof(PagePlanner), typeof(Renderer), typeof(RenditionSpec), typeof(PageDigests) }.Select(of =>
                of.Module.ModuleVersionId.ToString("N")
            )
        );

    private sealed record Public(KnownSite Of, ImmutableArray<PageDigest> Pages);

    private readonly ConcurrentDictionary<string, PageDigest> _known = new();
    private Public? _public;

    /// <summary>Of all that is on the public site; the same list as long as nothing was touched.</summary>
    public IReadOnlyList<PageDigest> OfPublic(KnownSite site)
    {
        if (_public is { } known && ReferenceEquals(known.Of, site))
            return known.Pages;
        var before = _public is { } was && IsSameRest(was.Of, site) ? was.Pages : [];
        // Mostly each stands where it stood: of such a one a glance is enough.
        var pages = ImmutableArray.CreateBuilder<PageDigest>(site.Pages.Length + site.Shown.Length);
        foreach (var page in site.Public)
        {
            var at = pages.Count;
            pages.Add(at < before.Length && ReferenceEquals(before[at].Page, page) ? before[at] : Of(page, site));
        }
        var now = pages.ToImmutable();
        _public = new(site, now);
        return now;
    }

    private static bool IsSameRest(KnownSite one, KnownSite other) =>
        ReferenceEquals(one.Places, other.Places) && ReferenceEquals(one.Rows.Addresses, other.Rows.Addresses);

    /// <summary>Of a page of a site as it is now.</summary>
    public PageDigest Of(KnownPage page, KnownSite site)
    {
        if (
            beside?._known.GetValueOrDefault(page.Page.Id) is { } other
            && other.Page.IsShownAs(page)
            && IsStill(other, site)
        )
            return other;
        var known = _known.GetValueOrDefault(page.Page.Id);
        if (known is not null && known.Page.IsShownAs(page) && IsStill(known, site))
            return ReferenceEquals(known.Page, page) && ReferenceEquals(known.Places, site.Places)
                ? known
                : _known[page.Page.Id] = known with { Page = page, Places = site.Places };
        return _known[page.Page.Id] = After(known, page, site);
    }

    private static bool IsStill(PageDigest known, KnownSite site)
    {
        if (!ReferenceEquals(known.Addresses, site.Rows.Addresses) && !known.LinksAsWritten.IsEmpty)
            return false;
        if (ReferenceEquals(known.Places, site.Places))
            return true;
        for (var i = 0; i < known.Shared.Length; i++)
        {
            if (!ReferenceEquals(site.Places.Of(known.Page.PictureIds[i]), known.Shared[i]))
                return false;
        }
        return true;
    }

    private PageDigest After(PageDigest? known, KnownPage page, KnownSite site)
    {
        var facts = page.PictureIds.Select((id, i) => page.From.Pictures[i]).OfType<Asset>().ToDictionary(a => a.Id);
        var ladders = LaddersOf(page, site, facts);
        var isShownSame = known is not null && known.Page.IsShownAs(page);
        ImmutableArray<string> written = isShownSame
            ? known!.LinksAsWritten
            : [.. TextRuns.LinksIn(page.Page.Document).Distinct()];
        ImmutableArray<string> links = [.. written.Select(link => LeadsTo(link, site.Rows.Addresses))];
        var isSame = isShownSame && AreSame(ladders, known!.Ladders) && links.SequenceEqual(known.Links);
        var print = isSame ? known!.Fingerprint : FingerprintOf(page, facts, ladders, links);
        return new(page, print)
        {
            Places = site.Places,
            Shared = [.. page.PictureIds.Select(site.Places.Of)],
            Ladders = ladders,
            Addresses = site.Rows.Addresses,
            LinksAsWritten = written,
            Links = links,
            FileIds =
            [
                .. written
                    .Select(link => LinkReader.Read(link, site.Rows.Addresses).Link)
                    .OfType<Link.File>()
                    .Select(link => link.FileId)
                    .Distinct(),
            ],
            Notices = isSame
                ? known!.Notices
                : new(
                    () => PageDigest.NoticesOf(page, factsOf),
                    // What failed once is tried again.
                    LazyThreadSafetyMode.PublicationOnly
                ),
        };
    }

    private static ImmutableArray<Ladder> LaddersOf(
        KnownPage page,
        KnownSite site,
        IReadOnlyDictionary<string, Asset> assets
    ) =>
        [
            .. page
                .Places.Where(p => assets.ContainsKey(p.AssetId))
                .Select(p => (p.AssetId, p.Cut))
                .Distinct()
                .Select(cut => LadderOf(page, cut, site, assets[cut.AssetId])),
        ];

    private static Ladder LadderOf(KnownPage page, (string AssetId, Cut Cut) cut, KnownSite site, Asset asset)
    {
        if (page.IsPublic && site.Places.Of(cut.AssetId) is { } places)
            return places.LadderOf(cut.Cut, asset.Facts, site.Style.Devices);
        // One that is off asks for nothing yet: its own wishes come on top.
        var slots = page
            .Places.Concat(site.Places.Elsewhere([cut.AssetId], page.Page.Id))
            .Where(p => (p.AssetId, p.Cut) == cut)
            .Select(p => p.Slot);
        return FigurePlanner.LadderOf(asset.Facts, cut.Cut, slots, site.Style.Devices);
    }

    private static bool AreSame(ImmutableArray<Ladder> one, ImmutableArray<Ladder> other) =>
        one.Length == other.Length && one.Zip(other).All(l => l.First.WidthsPx.SequenceEqual(l.Second.WidthsPx));

    private static string LeadsTo(string link, SiteAddresses addresses) =>
        LinkReader.Read(link, addresses) switch
        {
            { Link: Link.Page page } reading => $"{reading} {addresses.PathByPage[page.PageId]}",
            { Link: Link.File file } reading => $"{reading} {addresses.FileById[file.FileId]}",
            var reading => reading.ToString(),
        };

    private string FingerprintOf(
        KnownPage page,
        IReadOnlyDictionary<string, Asset> assets,
        ImmutableArray<Ladder> ladders,
        ImmutableArray<string> links
    ) =>
        new PageFingerprint(
            Program,
            Json.Write(
                page.Row is { } row
                    ? new[] { row.Id, row.Kind, row.Title, row.Path, row.Summary, $"{row.Dated:O}", row.Draft }
                    : [page.Page.Id, page.Page.Title]
            ),
            [
                .. ResolvedBlocks
                    .SetsOf(page.Page.Document)
                    .Select(set =>
                        ArrangementValues.Of(set).Write() + string.Concat(set.Items.Select(i => i.IsDue ? '1' : '0'))
                    ),
            ],
            page.Page.Banner is { } banner ? Json.Write(BannerValues.Of(banner)) : "",
            [.. page.PictureIds.Select(id => assets.TryGetValue(id, out var asset) ? Of(asset) : $"{id} gone")],
            [.. ladders.Select(ladder => string.Join(' ', ladder.WidthsPx))],
            links,
            StyleShelf.MarkOf(page.From.Style)
        ).Hash();

    private static string Of(Asset asset) =>
        $"{asset.KeptSha256} {EditsText.Write(asset.Edits)} {asset.OriginalSize} {Json.Write(asset.Facts)}";
}
