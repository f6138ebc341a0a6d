using System.Collections.Concurrent;
using Dekoro.Application.Hosting;
using Dekoro.Core.Banners;
using Dekoro.Core.Content;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>The site's banners, read once for each of their versions.</summary>
public sealed class SiteBanners(Workspace workspace)
{
    /// <summary>What a banner is called where it is listed among pages.</summary>
    public const string Kind = "banner";

    private const string Prefix = Kind + ":";

    private const string CalendarSwitch = "banner-calendar",
        On = "on";

    /// <summary>Whether the days of banners are to be had as a calendar at an address of its own.</summary>
    public bool HasCalendarAddress
    {
        get => workspace.Settings.Get(CalendarSwitch) == On;
        internal set => workspace.Settings.Set(CalendarSwitch, value ? On : "");
    }

    private sealed record Known(long Writes, string Mark, BannerOrder Order);

    private readonly ConcurrentDictionary<(string Id, long Version), Banner> _read = new();
    private Known _known = new(-1, "", BannerOrder.Empty);

    /// <summary>All that are not taken away, in their order.</summary>
    public BannerOrder Order
    {
        get
        {
            var (writes, known) = (workspace.Database.Writes, _known);
            if (known.Writes == writes)
                return known.Order;
            var mark = workspace.Banners.Mark;
            _known = known = mark == known.Mark ? known with { Writes = writes } : new(writes, mark, Read());
            return known.Order;
        }
    }

    /// <summary>A page as targets see it.</summary>
    public static BannerPage PageOf(PageRow page) => new(page.Id, page.Kind == "post", page.Path);

    /// <summary>
    /// Each banner as a page that holds it alone, so that its pictures and links are found where those of pages are.
    /// </summary>
    public IEnumerable<PageRow> AsPages() =>
        workspace
            .Banners.All()
            .Select(row => (Row: row, Banner: Of(row)))
            .Select(b => new PageRow(
                Prefix + b.Row.Id,
                Kind,
                b.Banner.Name,
                Prefix + b.Row.Id,
                "",
                0,
                b.Banner.IsOn,
                DocumentWriter.Write(new Document([b.Banner.Band with { Id = Banner.BlockId }])).ToJsonString(),
                b.Row.Version,
                b.Row.ChangedAt,
                null,
                null
            ));

    /// <summary>The banner that such a page stands for.</summary>
    public static string IdOf(PageRow page) => page.Id[Prefix.Length..];

    /// <summary>The values of the banner that such a page stands for, with another band.</summary>
    public BannerValues WithBand(PageRow page, BandBlock band)
    {
        var banner = Of(workspace.Banners.Find(IdOf(page))!);
        return BannerValues.Of(banner with { Band = band with { Id = banner.Band.Id } });
    }

    /// <summary>A banner as it is kept.</summary>
    public Banner Of(ContentRow row) => _read.GetOrAdd((row.Id, row.Version), _ =>
        {
            foreach (var old in _read.Keys.Where(k => k.Id == row.Id && k.Version < row.Version))
                _read.TryRemove(old, out var _);
            return BannerValues.Read(row.Content).Check(row.Id).Banner!;
        });

    private BannerOrder Read() => new([.. workspace.Banners.All().Select(Of)]);
}
