using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Banners;
using Dekoro.Server.Contracts;
using Dekoro.Storage;

namespace Dekoro.Server.Endpoints;

/// <summary>Banners as the client knows them.</summary>
public sealed class BannerPreview(Workspace workspace, SiteBanners banners, SiteCalendar calendar)
{
    /// <summary>Those that are kept, in their order.</summary>
    public IReadOnlyList<BannerResponse> All() => [.. workspace.Banners.All().Select(Of)];

    /// <returns>Null for one that is not there.</returns>
    public BannerResponse? Find(string id) => workspace.Banners.Find(id) is { } row ? Of(row) : null;

    /// <summary>One that is there.</summary>
    public BannerResponse There(string id) => Find(id)!;

    private BannerResponse Of(ContentRow row)
    {
        var banner = banners.Of(row);
        return new(row.Id, row.Version, BannerValues.Of(banner), banner.InWords(calendar.Today));
    }
}
