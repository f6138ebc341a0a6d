using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Banners;
using Dekoro.Core.Site;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>All that a page is worked out from.</summary>
/// <param name="Banner">At its top on the day; null for none.</param>
/// <param name="Aimed">All banners that may stand there, whatever the day.</param>
/// <param name="Sets">The arrangements that show on it, as they are on the day, null for one that is no more.</param>
/// <param name="BannerSets">Those that show behind the banners.</param>
/// <param name="Pictures">Those it watches, null for one that is no more.</param>
public sealed record KnownFrom(
    PageRow? Row,
    SiteStyle Style,
    Banner? Banner,
    ImmutableArray<Banner> Aimed,
    ImmutableArray<Arrangement?> Sets,
    ImmutableArray<Arrangement?> BannerSets,
    ImmutableArray<Asset?> Pictures
)
{
    /// <summary>Ids of the arrangements on it, then of those behind its banners.</summary>
    public ImmutableArray<string> SetIds { get; init; } = [];

    /// <summary>Whether the same would come of both, but for what the row says of publishing.</summary>
    public bool IsSameAs(KnownFrom other) =>
        ReferenceEquals(Style, other.Style)
        && ReferenceEquals(Banner, other.Banner)
        && AreSame(Aimed, other.Aimed)
        && AreSame(Sets, other.Sets)
        && AreSame(BannerSets, other.BannerSets)
        && AreSame(Pictures, other.Pictures)
        && (ReferenceEquals(Row, other.Row) || IsWrittenTheSame(Row, other.Row));

    private static bool IsWrittenTheSame(PageRow? one, PageRow? other) =>
        one is not null
        && other is not null
        && (one.Title, one.Path, one.Summary, one.Kind, one.IsOn, one.Dated)
            == (other.Title, other.Path, other.Summary, other.Kind, other.IsOn, other.Dated)
        && one.Draft == other.Draft;

    private static bool AreSame<T>(ImmutableArray<T> one, ImmutableArray<T> other)
        where T : class?
    {
        if (one.Length != other.Length)
            return false;
        for (var i = 0; i < one.Length; i++)
        {
            if (!ReferenceEquals(one[i], other[i]))
                return false;
        }
        return true;
    }
}
