using Dekoro.Core.Planning;
using Dekoro.Core.Publication;
using Dekoro.Storage;
using NodaTime;

namespace Dekoro.Application.Preview;

/// <summary>
/// A site as it is at one moment: whatever is changed while it is worked on, all of it is of that moment.
/// </summary>
public sealed record SiteMoment(PlanningContext Planning, KnownSite Site)
{
    /// <summary>The same, as it is on another day.</summary>
    public SiteMoment On(LocalDate day) => Planning.On(day) is var other ? new(other, other.SiteLike(Site)) : this;

    /// <summary>The digest of each page that is public.</summary>
    public IReadOnlyList<PageDigest> Digests => Planning.Digests.OfPublic(Site);

    /// <summary>What of pages stands round others.</summary>
    public RoundPages Round => Site.Round.Pages;

    /// <summary>The facts to plan a page of it with.</summary>
    public PlanFacts Facts(KnownPage page) => Planning.Facts(page, Site);

    /// <summary>The pictures of some pages of it, by id.</summary>
    internal static Dictionary<string, Asset> PicturesOf(IEnumerable<KnownPage> pages) =>
        pages.SelectMany(p => p.From.Pictures).OfType<Asset>().DistinctBy(a => a.Id).ToDictionary(a => a.Id);

    /// <summary>What each page that is another than visitors meet is made from, by its id.</summary>
    internal Dictionary<string, string> ChangedContent() =>
        Site
            .Pages.Where(p => p.IsPublic && Planning.StateOf(p) != PageStatus.Published)
            .ToDictionary(p => p.Page.Id, PublicContent.Of);
}
