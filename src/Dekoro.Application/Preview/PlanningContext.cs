using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Text.Json;
using Dekoro.Application.Hosting;
using Dekoro.Application.Publication;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Banners;
using Dekoro.Core.Checks;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;
using Dekoro.Publishing;
using Dekoro.Storage;
using NodaTime;

namespace Dekoro.Application.Preview;

/// <summary>
/// Brings what is stored to Core's planner: pages as sources, pictures as facts, the site as addresses.
/// </summary>
public sealed class PlanningContext
{
    /// <summary>Where the other files stand on the public site.</summary>
    public const string FilesFolder = "files/";

    private readonly Workspace _workspace;
    private readonly Grids _grids;
    private readonly SiteCalendar _clock;
    private readonly SiteBanners _banners;
    private readonly SiteBook _book;
    private readonly SiteSets _sets;
    private readonly KnownPages _known;
    private readonly LocalDate? _day;
    private readonly ConcurrentDictionary<LocalDate, PlanningContext> _days = new();
    private readonly ConcurrentDictionary<string, (KnownPage Of, string State)> _states = new();

    /// <summary>Those on which something becomes another by itself, and some that a person looks at.</summary>
    private const int MaxDaysHeld = 100;

    /// <summary>Of the day that it is.</summary>
    public PlanningContext(Workspace workspace, Grids grids, SiteCalendar clock, SiteBanners banners, SiteBook book)
    {
        (_workspace, _grids, _clock, _banners, _book) = (workspace, grids, clock, banners, book);
        _sets = new(workspace, book);
        _known = new(workspace, book, banners, _sets);
        Used = new(this, banners);
        Digests = new(page => Facts(page.Page));
    }

    private PlanningContext(PlanningContext of, LocalDate day)
    {
        (_workspace, _grids, _clock, _banners) = (of._workspace, of._grids, of._clock, of._banners);
        (_book, _sets, _known, _day) = (of._book, of._sets, of._known.Beside(), day);
        Used = new(this, _banners);
        Digests = new(page => Facts(page.Page), of.Digests);
    }

    /// <summary>The day that is planned for.</summary>
    public LocalDate Today => _day ?? _clock.Today;

    /// <summary>The same on another day, with what is dated as it is then.</summary>
    public PlanningContext On(LocalDate day)
    {
        if (_days.Count > MaxDaysHeld)
            _days.Clear();
        return _days.GetOrAdd(day, other => new(this, other));
    }

    /// <summary>What was worked out of pages, as of this day.</summary>
    public PageDigests Digests { get; }

    /// <summary>All pages as they are now.</summary>
    public KnownSite Site => _known.On(Today);

    /// <summary>The pages as another day's planning has them, as they are on this one.</summary>
    internal KnownSite SiteLike(KnownSite other) => _known.On(Today, other.Rows, other.Banners, other.Style);

    /// <summary>The same, to be worked on while it may be changed.</summary>
    public SiteMoment Moment => new(this, Site);

    /// <summary>Where pictures, arrangements and files are used.</summary>
    public WhereUsed Used { get; }

    /// <summary>The draft of a page as the planner takes it.</summary>
    public ResolvedPage PageOf(PageRow page) => PageOf(page, ParsedOf(page));

    /// <summary>The draft of a page without a banner over it.</summary>
    internal ResolvedPage OwnOf(PageRow page) =>
        PageOf(page.Id, new PageText(page.Title, page.Path, page.Summary, ParsedOf(page)));

    /// <summary>The same page with other words.</summary>
    public ResolvedPage PageOf(PageRow page, Document document) =>
        PageOf(page, new PageText(page.Title, page.Path, page.Summary, document));

    /// <summary>The same page as it is written now, with the banner of the day at its top.</summary>
    public ResolvedPage PageOf(PageRow page, PageText text) =>
        PageOf(page.Id, text).WithBanner(_banners.Order.On(SiteBanners.PageOf(page), Today), ArrangementOf);

    /// <summary>The page with one banner at its top, whatever the day.</summary>
    public ResolvedPage PageWith(PageRow page, Banner banner) => OwnOf(page).WithBanner(banner, ArrangementOf);

    /// <summary>Words on their way to a page as the planner takes them.</summary>
    public ResolvedPage PageOf(string id, PageText text) => ResolvedPage.Of(id, text, ArrangementOf);

    /// <summary>Its arrangements are as they are now.</summary>
    public Document DocumentOf(PageRow page) => ParsedOf(page).Resolved(ArrangementOf);

    /// <summary>As it is on this day; one that follows a search line holds what the library has of it.</summary>
    public Arrangement? ArrangementOf(string id) => _sets.Of(id, Today);

    /// <summary>As it stood before, with the library and the day that there are now.</summary>
    public Arrangement? AsItStood(string id, string content) =>
        ArrangementValues.Read(content).Check(id).Arrangement is { } set ? _sets.On(set, Today) : null;

    internal Document ParsedOf(PageRow page) => _book.DocumentOf(page);

    /// <summary>A draft as it is stored; empty where it cannot be read any more.</summary>
    public static Document DocumentIn(string draft)
    {
        using var json = JsonDocument.Parse(draft);
        return DocumentReader.Read(json.RootElement).Document ?? Document.Empty;
    }

    /// <summary>
    /// The facts to plan one page with: its own pictures, and where else on the site they stand. Of pages that share no
    /// picture with it nothing is read.
    /// </summary>
    /// <param name="page">As it is kept or as it is being written.</param>
    /// <param name="pending">Pictures that are not in the library yet.</param>
    public PlanFacts Facts(ResolvedPage page, IEnumerable<PictureFacts>? pending = null)
    {
        ImmutableArray<string> ids =
        [
            .. page.Main.Document.Figures.Concat(page.Document.Figures).SelectMany(f => f.Assets).Distinct(),
        ];
        return Facts(page, [.. _book.Pictures(ids).OfType<Asset>()], Site, pending);
    }

    /// <summary>The same of a page of the site as it is at one moment.</summary>
    internal PlanFacts Facts(KnownPage page, KnownSite site) =>
        Facts(page.Page, [.. page.From.Pictures.Take(page.PictureIds.Length).OfType<Asset>()], site, null);

    private PlanFacts Facts(ResolvedPage page, List<Asset> assets, KnownSite site, IEnumerable<PictureFacts>? pending)
    {
        var main = page.Main;
        var pictures = assets.Select(a => a.Facts).Concat(pending ?? []).DistinctBy(f => f.Id).ToDictionary(f => f.Id);
        var layout = new PageLayout(site.Style);
        // Parts of a gallery share files with one another.
        var parts = GalleryPages.Of(main).ToList() is { Count: > 1 } sheets
            ? sheets.SelectMany(sheet => PagePlanner.PlacesOf(sheet, layout, pictures))
            : [];
        return new(
            site.Style,
            pictures,
            site.Rows.Addresses,
            [.. site.Places.Elsewhere(pictures.Keys, main.Id), .. parts]
        )
        {
            Grids = GridsBehindWords([page], assets, site),
        };
    }

    /// <summary>The facts of the whole site at once.</summary>
    public PlanFacts Facts()
    {
        var site = Site;
        var pages = site.Public.ToList();
        var assets = _book.Pictures([.. pages.SelectMany(p => p.PictureIds).Distinct()]).OfType<Asset>().ToList();
        var pictures = assets.ToDictionary(a => a.Id, a => a.Facts);
        return new(site.Style, pictures, site.Rows.Addresses, [.. site.Places.All])
        {
            Grids = GridsBehindWords([.. pages.Select(p => p.Page)], assets, site),
        };
    }

    private Dictionary<string, ColourGrid> GridsBehindWords(
        IReadOnlyCollection<ResolvedPage> pages,
        List<Asset> assets,
        KnownSite site
    )
    {
        var behindWords = pages
            .SelectMany(s => s.Document.Backdrops)
            .SelectMany(b => b.Followers.Select(f => f.Figure.AssetId).Append(b.Backdrop.AssetId ?? ""))
            .Concat(
                pages
                    .SelectMany(s => s.Arrangements)
                    .Where(a =>
                        a.Arrangement.Kind != ArrangementKind.Gallery
                        && ControlsCheck.NeedsPictures(a.Arrangement.Slider, site.Style.Colours)
                    )
                    .SelectMany(a => a.Pictures)
                    .Select(f => f.AssetId)
            )
            .ToHashSet();
        return assets
            .Where(a => behindWords.Contains(a.Id))
            .Select(a => (a.Id, Grid: _grids.Of(a)))
            .Where(g => g.Grid is not null)
            .ToDictionary(g => g.Id, g => g.Grid!);
    }

    /// <inheritdoc cref="PageStatus"/>
    public string StateOf(PageRow page) => StateOf(KnownOf(page));

    // One that stood earlier, or is just being written, is worked out for itself.
    private KnownPage KnownOf(PageRow page) =>
        Site.ById.GetValueOrDefault(page.Id) is { } known && known.Row == page ? known : _known.Alone(page, Today);

    /// <summary>The same of a page as it is now, worked out once until something of it is touched.</summary>
    public string StateOf(KnownPage page)
    {
        if (_states.TryGetValue(page.Page.Id, out var known) && ReferenceEquals(known.Of, page))
            return known.State;
        var row = page.Row!;
        var state = PageStatus.Of(row.IsOn, row.Published, () => PublicContent.Of(page));
        _states[page.Page.Id] = (page, state);
        return state;
    }

    /// <inheritdoc cref="PublicContent"/>
    public string ContentOf(PageRow page) => PublicContent.Of(KnownOf(page));

    /// <summary>Days on which the top of a public page becomes another by itself.</summary>
    public IEnumerable<LocalDate> BannerChangesWithin(LocalDate after, LocalDate last) =>
        _banners.Order.All.IsEmpty
            ? []
            : _banners
                .Order.OverAll(PublicPages().Select(SiteBanners.PageOf), after, last)
                .Values.Distinct()
                .SelectMany(spans => spans.Skip(1))
                .Select(span => span.From)
                .Distinct();

    /// <summary>
    /// Addresses of the other files on the public site, from its root, by id; what is taken away has none.
    /// </summary>
    public IReadOnlyDictionary<string, string> DownloadNames() =>
        _book.Now.Addresses.FileById.ToDictionary(f => f.Key, f => f.Value.Address);

    /// <summary>The other files that can be linked to, by id.</summary>
    public IReadOnlyDictionary<string, LinkedFile> LinkedFiles() => _book.Now.Addresses.FileById;

    /// <summary>Pages and posts that are on.</summary>
    public IReadOnlyList<PageRow> PublicPages() => [.. _book.Now.Pages.Where(p => p.IsOn)];

    /// <summary>All pages and posts, in the order of the menu.</summary>
    public IReadOnlyList<PageRow> AllPages => _book.Now.Pages;

    /// <summary>What of pages stands round others: the menu of pages, and the front page's list of posts.</summary>
    public RoundPages Round() => Site.Round.Pages;

    /// <summary>The same, as pages are written with it.</summary>
    public SiteFrame Frame() => Site.Round.Frame;
}
