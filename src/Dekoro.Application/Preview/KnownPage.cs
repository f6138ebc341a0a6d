using System.Collections.Immutable;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>
/// A page as it is on a day, and where its pictures stand. It is the same object as long as nothing that it was worked
/// out from was touched.
/// </summary>
/// <param name="From">What it was worked out from.</param>
/// <param name="Page">With its banner and its arrangements.</param>
/// <param name="Sheets">Itself, and further parts of its galleries.</param>
/// <param name="PictureIds">All that stand on it, each once.</param>
/// <param name="WatchedIds">Those, and the pictures of all banners that may stand on it.</param>
/// <param name="Places">Where they stand.</param>
public sealed record KnownPage(
    KnownFrom From,
    ResolvedPage Page,
    ImmutableArray<ResolvedPage> Sheets,
    ImmutableArray<string> PictureIds,
    ImmutableArray<string> WatchedIds,
    ImmutableArray<Place> Places
)
{
    /// <summary>The page or post; null for an arrangement that sites elsewhere show.</summary>
    public PageRow? Row => From.Row;

    /// <summary>Ids of its own pictures that are in the library, in the order of the page.</summary>
    public IEnumerable<string> PicturesShown
    {
        get
        {
            var there = From.Pictures.OfType<Asset>().Select(a => a.Id).ToHashSet();
            return new Document(Page.Pieces).Figures.SelectMany(f => f.Assets).Distinct().Where(there.Contains);
        }
    }

    /// <summary>Whether both show the same: what a row says of publishing shows nowhere.</summary>
    internal bool IsShownAs(KnownPage other) =>
        ReferenceEquals(this, other) || ReferenceEquals(Page, other.Page) && From.IsSameAs(other.From);

    /// <summary>Whether it stands on the public site after the next publishing.</summary>
    public bool IsPublic => Row is null or { IsOn: true };
}
