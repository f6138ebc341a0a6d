using System.Collections.Concurrent;
using System.Collections.Immutable;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>
/// Where pictures, arrangements and files are used on drafts, of pages that are off and of banners too. What a page
/// uses is worked out once for each of its drafts.
/// </summary>
public sealed class WhereUsed(PlanningContext planning, SiteBanners banners)
{
    private sealed record Uses(
        PageRow Page,
        ImmutableArray<Placement> Standing,
        ImmutableArray<string> SetIds,
        ImmutableArray<string> FileIds
    );

    private sealed record Known(
        KnownSite Of,
        ILookup<string, (PageRow Page, FigureBlock Figure, Placement Stand)> Cuts,
        ILookup<string, (PageRow Page, FigureBlock Figure, Placement Stand)> Places,
        ILookup<string, PageRow> Sets,
        ILookup<string, PageRow> Files
    );

    private readonly ConcurrentDictionary<string, (KnownPage Of, Uses Uses)> _uses = new();
    private Known? _known;

    /// <summary>Where each picture stands, once for each piece.</summary>
    public ILookup<string, (PageRow Page, FigureBlock Figure, Placement Stand)> Places => Now.Places;

    /// <summary>The same, with each cut of a place in which widths differ.</summary>
    public ILookup<string, (PageRow Page, FigureBlock Figure, Placement Stand)> Cuts => Now.Cuts;

    /// <summary>The pages that show each arrangement.</summary>
    public ILookup<string, PageRow> Sets => Now.Sets;

    /// <summary>The pages that link to each of the other files, be it there or taken away.</summary>
    public ILookup<string, PageRow> Files => Now.Files;

    private Known Now
    {
        get
        {
            var (site, known) = (planning.Site, _known);
            if (known is not null && ReferenceEquals(known.Of, site))
                return known;
            var layout = new PageLayout(site.Style);
            var uses = site.Pages.Select(page => Of(page, layout)).Concat(banners.AsPages().Select(b => Of(b, layout)));
            return _known = In(site, [.. uses]);
        }
    }

    private static Known In(KnownSite site, List<Uses> uses)
    {
        var cuts = uses.SelectMany(u => u.Standing.Select(s => (u.Page, s.Figure, Stand: s)))
            .ToLookup(p => p.Figure.AssetId);
        return new(
            site,
            cuts,
            cuts.SelectMany(picture => picture.DistinctBy(p => (p.Page.Id, p.Figure.Id)))
                .ToLookup(p => p.Figure.AssetId),
            uses.SelectMany(u => u.SetIds.Select(id => (Id: id, u.Page))).ToLookup(a => a.Id, a => a.Page),
            uses.SelectMany(u => u.FileIds.Select(id => (Id: id, u.Page))).ToLookup(f => f.Id, f => f.Page)
        );
    }

    private Uses Of(KnownPage page, PageLayout layout)
    {
        if (_uses.TryGetValue(page.Page.Id, out var known) && ReferenceEquals(known.Of, page))
            return known.Uses;
        var uses = Of(page.Row!, layout);
        _uses[page.Page.Id] = (page, uses);
        return uses;
    }

    private Uses Of(PageRow row, PageLayout layout) =>
        new(
            row,
            [
                .. GalleryPages
                    .Of(planning.OwnOf(row))
                    .SelectMany(sheet => layout.Standing(new LaidPage(sheet.Document, _ => null, layout)))
                    .DistinctBy(s => (s.Figure.Id, s.Figure.AssetId, s.On)),
            ],
            [.. planning.ParsedOf(row).SetIds],
            [
                .. TextRuns
                    .LinksIn(planning.DocumentOf(row))
                    .Where(l => l.StartsWith(Link.File.Scheme, StringComparison.Ordinal))
                    .Select(l => l[Link.File.Scheme.Length..]),
            ]
        );
}
