using System.Collections.Immutable;
using Dekoro.Application.Hosting;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Banners;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;
using Dekoro.Core.Site;
using Dekoro.Storage;
using NodaTime;

namespace Dekoro.Application.Preview;

/// <summary>
/// Keeps the pages of a site as they are on a day: after a change each is worked out anew where something of it was
/// touched, and stays the same object otherwise.
/// </summary>
internal sealed class KnownPages(Workspace workspace, SiteBook book, SiteBanners banners, SiteSets sets)
{
    private readonly Lock _knowing = new();
    private KnownSite? _site;

    /// <summary>For another day, beginning with what is known of this one.</summary>
    public KnownPages Beside() => new(workspace, book, banners, sets) { _site = _site };

    public KnownSite On(LocalDate day) => On(day, book.Now, banners.Order, workspace.Style.Current);

    public KnownSite On(LocalDate day, SiteRows rows, BannerOrder order, SiteStyle style)
    {
        using var knowing = _knowing.EnterScope();
        if (_site?.IsOf(rows, order, style, day) == true)
            return _site;
        return _site = After(_site ?? KnownSite.Of(rows, order, style, day), rows, order, style, day);
    }

    private KnownSite After(KnownSite before, SiteRows rows, BannerOrder order, SiteStyle style, LocalDate day)
    {
        // Mostly one page was touched: of all others a glance is enough.
        var isSameDay = before.IsOf(before.Rows, order, style, day);
        var isSameRest =
            before.Rows.Arrangements == rows.Arrangements && before.Rows.PicturesNumber == rows.PicturesNumber;
        var layout = new PageLayout(style);
        // Mostly each stands where it stood.
        var pages = rows
            .Pages.Select(
                (row, i) =>
                    Now(
                        i < before.Pages.Length && before.Pages[i].Row!.Id == row.Id
                            ? before.Pages[i]
                            : before.ById.GetValueOrDefault(row.Id),
                        row
                    )
            )
            .ToImmutableArray();
        var shown = rows
            .Arrangements.Select(row => sets.Of(row.Id, day))
            .OfType<Arrangement>()
            .Where(set => set.IsShownElsewhere)
            .Select(Shown)
            .ToImmutableArray();
        var now = KnownSite.Of(rows, order, style, day).RoundedAs(before);
        return With(before, now with { Pages = pages, Shown = shown });

        KnownPage Now(KnownPage? known, PageRow row)
        {
            if (isSameDay && ReferenceEquals(known?.Row, row) && (isSameRest || IsStill(known, day)))
                return known;
            var isSame = known is not null && ReferenceEquals(before.Banners, order);
            return Known(known, FromOf(row, order, style, day, isSame ? known!.From.Aimed : null), () =>
                Resolved(row, order, day)
            );
        }

        KnownPage Shown(Arrangement set) =>
            Known(
                before.ById.GetValueOrDefault(SnippetPage.IdOf(set.Id)),
                new(null, style, null, [], [set], [], []),
                () => SnippetPage.PageOf(set)
            );

        // Pictures are looked up by what stood on the page: where that is the same, so are they.
        KnownPage Known(KnownPage? known, KnownFrom given, Func<ResolvedPage> resolve)
        {
            if (known is not null && known.From.IsSameAs(given with { Pictures = book.Pictures(known.WatchedIds) }))
                return ReferenceEquals(known.Row, given.Row)
                    ? known
                    : known with
                    {
                        From = known.From with { Row = given.Row },
                    };
            return Planned(known, given, resolve(), layout, day);
        }
    }

    /// <summary>A site whose pages are known, with what is worked out of all of them together.</summary>
    private static KnownSite With(KnownSite before, KnownSite now)
    {
        var all = now.Pages.Concat(now.Shown).ToList();
        var known = before.Pages.Concat(before.Shown).ToHashSet<object>(ReferenceEqualityComparer.Instance);
        var changed = all.Where(p => !known.Contains(p)).ToList();
        var isNoneGone = before.ById.Count == all.Count && changed.All(p => before.ById.ContainsKey(p.Page.Id));
        var gone = isNoneGone ? [] : before.ById.Keys.Except(all.Select(p => p.Page.Id)).ToList();
        return now with
        {
            ById = before.ById.RemoveRange(gone).SetItems(changed.Select(p => KeyValuePair.Create(p.Page.Id, p))),
            Places = before.Places.With(
                [.. changed.Select(p => (p.Page.Id, PublicPlacesOf(p))), .. gone.Select(id => (id, Nowhere))],
                id => PublicPlacesOf(before.ById.GetValueOrDefault(id))
            ),
        };
    }

    private KnownPage Planned(KnownPage? known, KnownFrom given, ResolvedPage page, PageLayout layout, LocalDate day)
    {
        var ids = AssetsOn(page.Document).ToImmutableArray();
        var bands = new Document([.. given.Aimed.Select(b => b.Band)]).Resolved(id => sets.Of(id, day));
        ImmutableArray<string> watched = [.. ids.Union(AssetsOn(bands))];
        var pictures = book.Pictures(watched);
        var facts = pictures.OfType<Asset>().ToDictionary(a => a.Id, a => a.Facts);
        ImmutableArray<ResolvedPage> sheets = [.. GalleryPages.Of(page)];
        ImmutableArray<Place> places = [.. sheets.SelectMany(s => PagePlanner.PlacesOf(s, layout, facts))];
        return new(
            given with
            {
                Pictures = pictures,
            },
            page,
            sheets,
            ids,
            watched,
            known is not null && known.Places.SequenceEqual(places) ? known.Places : places
        );
    }

    private static IEnumerable<string> AssetsOn(Document document) =>
        document.Figures.SelectMany(f => f.Assets).Distinct();

    /// <summary>Whether its arrangements and pictures are those that it was worked out from.</summary>
    private bool IsStill(KnownPage page, LocalDate day)
    {
        for (var i = 0; i < page.WatchedIds.Length; i++)
        {
            if (!ReferenceEquals(book.Picture(page.WatchedIds[i]), page.From.Pictures[i]))
                return false;
        }
        var ids = page.From.SetIds;
        return ids.IsEmpty
            || SetsOf(ids, day)
                .AsEnumerable<object?>()
                .SequenceEqual(page.From.Sets.Concat(page.From.BannerSets), ReferenceEqualityComparer.Instance);
    }

    /// <summary>A page that is not kept as it is given, or not now.</summary>
    public KnownPage Alone(PageRow row, LocalDate day)
    {
        var (order, style) = (banners.Order, workspace.Style.Current);
        return Planned(null, FromOf(row, order, style, day, null), Resolved(row, order, day), new(style), day);
    }

    /// <param name="aimed">Banners that may stand on it, where that is known.</param>
    private KnownFrom FromOf(
        PageRow row,
        BannerOrder order,
        SiteStyle style,
        LocalDate day,
        ImmutableArray<Banner>? aimed
    )
    {
        var target = SiteBanners.PageOf(row);
        var may = aimed ?? [.. order.All.Where(b => b.IsOn && b.IsAimedAt(target))];
        var (ids, behind) = (
            book.DocumentOf(row).SetIds.ToList(),
            may.Select(b => b.Band.Backdrop.SetId).OfType<string>().ToList()
        );
        return new(row, style, order.On(target, day), may, SetsOf(ids, day), SetsOf(behind, day), [])
        {
            SetIds = [.. ids, .. behind],
        };
    }

    private ResolvedPage Resolved(PageRow row, BannerOrder order, LocalDate day) =>
        ResolvedPage
            .Of(row.Id, new(row.Title, row.Path, row.Summary, book.DocumentOf(row)), id => sets.Of(id, day))
            .WithBanner(order.On(SiteBanners.PageOf(row), day), id => sets.Of(id, day));

    private ImmutableArray<Arrangement?> SetsOf(IEnumerable<string> ids, LocalDate day) =>
        [.. ids.Select(id => sets.Of(id, day))];

    private static ImmutableArray<Place> Nowhere => [];

    private static ImmutableArray<Place> PublicPlacesOf(KnownPage? page) =>
        page is { IsPublic: true } ? page.Places : [];
}
