using System.Collections.Immutable;
using Dekoro.Core.Banners;
using Dekoro.Core.Site;
using NodaTime;

namespace Dekoro.Application.Preview;

/// <summary>All pages of a site as they are on a day; the same object as long as nothing was touched.</summary>
/// <param name="Pages">Pages, then posts, in the order of the menu, those that are off too.</param>
/// <param name="Shown">Arrangements that sites elsewhere show, each as a page.</param>
/// <param name="Places">Where pictures stand on what is public.</param>
public sealed record KnownSite(
    SiteRows Rows,
    BannerOrder Banners,
    SiteStyle Style,
    LocalDate Day,
    ImmutableArray<KnownPage> Pages,
    ImmutableArray<KnownPage> Shown,
    ImmutableDictionary<string, KnownPage> ById,
    SitePlaces Places
)
{
    /// <summary>Before anything was read.</summary>
    internal static KnownSite Of(SiteRows rows, BannerOrder banners, SiteStyle style, LocalDate day) =>
        new(rows, banners, style, day, [], [], ImmutableDictionary<string, KnownPage>.Empty, SitePlaces.None)
        {
            KeptRound = new(() => KnownRound.Of(rows.Pages, style)),
        };

    private Lazy<KnownRound> KeptRound { get; init; } = null!;

    /// <summary>What of pages stands round others.</summary>
    public KnownRound Round => KeptRound.Value;

    /// <summary>With what is the same of an earlier one, where that is.</summary>
    internal KnownSite RoundedAs(KnownSite before) =>
        ReferenceEquals(before.Style, Style) && KnownRound.IsSame(before.Rows.Pages, Rows.Pages)
            ? this with
            {
                KeptRound = before.KeptRound,
            }
            : this;

    /// <summary>What is on the public site: pages, posts, and arrangements that sites elsewhere show.</summary>
    public IEnumerable<KnownPage> Public => Pages.Where(p => p.IsPublic).Concat(Shown);

    internal bool IsOf(SiteRows rows, BannerOrder banners, SiteStyle style, LocalDate day) =>
        ReferenceEquals(Rows, rows) && ReferenceEquals(Banners, banners) && ReferenceEquals(Style, style) && Day == day;
}
