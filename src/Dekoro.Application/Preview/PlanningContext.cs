using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Text.Json;
using Dekoro.Application.Hosting;
using Dekoro.Application.Publication;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Checks;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;
using Dekoro.Core.Site;
using Dekoro.Publishing;
using Dekoro.Storage;
using NodaTime;

namespace Dekoro.Application.Preview;

/// <summary>
/// Brings what is stored to Core's planner: pages as sources, pictures as facts, the site as addresses.
/// </summary>
public sealed class PlanningContext(Workspace workspace, Grids grids, SiteCalendar clock)
{
    /// <summary>Where the other files stand on the public site.</summary>
    public const string FilesFolder = "files/";

    /// <summary>The day that is looked at; null for the one it is.</summary>
    private LocalDate? Day { get; init; }

    private readonly ConcurrentDictionary<(string Page, long Version), Document> _documents = new();

    /// <summary>The day that is planned for.</summary>
    public LocalDate Today => Day ?? clock.Today;

    /// <summary>The same on another day, with what is dated as it is then.</summary>
    public PlanningContext On(LocalDate day) => new(workspace, grids, clock) { Day = day };

    /// <summary>The draft of a page as the planner takes it.</summary>
    public ResolvedPage PageOf(PageRow page) => PageOf(page, ParsedOf(page));

    /// <summary>The same page with other words.</summary>
    public ResolvedPage PageOf(PageRow page, Document document) =>
        PageOf(page.Id, new(page.Title, page.Path, page.Summary, document));

    /// <summary>Words on their way to a page as the planner takes them.</summary>
    public ResolvedPage PageOf(string id, PageText text) => ResolvedPage.Of(id, text, ArrangementOf);

    private readonly ConcurrentDictionary<(string Id, long Version), Arrangement> _arrangements = new();

    /// <summary>Its arrangements are as they are now.</summary>
    public Document DocumentOf(PageRow page) => ParsedOf(page).Resolved(ArrangementOf);

    /// <summary>As it is on this day; one that follows a search line holds what the library has of it.</summary>
    public Arrangement? ArrangementOf(string id)
    {
        return AsOnThisDay(KeptArrangement(id));
    }

    /// <summary>As it stood before, with the library and the day that there are now.</summary>
    public Arrangement? AsItStood(string id, string content) =>
        AsOnThisDay(ArrangementValues.Read(content).Check(id).Arrangement);

    private Arrangement? AsOnThisDay(Arrangement? set)
    {
        if (set?.SourceQuery is { } line)
            set = set.Holding(
                workspace.Assets.Search(LibraryQuery.Read(line), [], 0, Arrangement.MaxItems).Page.Select(a => a.Id)
            );
        return set?.On(Today);
    }

    private Arrangement? KeptArrangement(string id) =>
        workspace.Arrangements.Find(id) is not { } row ? null : _arrangements.GetOrAdd((row.Id, row.Version), _ =>
            {
                foreach (var old in _arrangements.Keys.Where(k => k.Id == id && k.Version < row.Version))
                    _arrangements.TryRemove(old, out var _);
                return ArrangementValues.Read(row.Content).Check(id).Arrangement!;
            });

    /// <summary>The pages whose drafts show each arrangement.</summary>
    public ILookup<string, PageRow> PagesByArrangement() =>
        workspace
            .Pages.All()
            .SelectMany(page => ParsedOf(page).SetIds.Select(id => (Id: id, Page: page)))
            .ToLookup(a => a.Id, a => a.Page);

    private Document ParsedOf(PageRow page) => _documents.GetOrAdd((page.Id, page.Version), _ =>
        {
            foreach (var old in _documents.Keys.Where(k => k.Page == page.Id && k.Version < page.Version))
                _documents.TryRemove(old, out var _);
            return DocumentIn(page.Draft);
        });

    /// <summary>A draft as it is stored; empty where it cannot be read any more.</summary>
    public static Document DocumentIn(string draft)
    {
        using var json = JsonDocument.Parse(draft);
        return DocumentReader.Read(json.RootElement).Document ?? Document.Empty;
    }

    /// <summary>The facts to plan any page of the site with, one of them perhaps not as it is stored.</summary>
    /// <param name="pending">Pictures that are not in the library yet.</param>
    public PlanFacts Facts(
        ResolvedPage? instead = null,
        IReadOnlyDictionary<string, string>? paths = null,
        IEnumerable<PictureFacts>? pending = null
    )
    {
        var style = workspace.Style.Current;
        var rows = PublicPages().ToDictionary(p => p.Id);
        var sources = rows.Values.Select(PageOf).Select(s => s.Id == instead?.Id ? instead : s).ToList();
        sources.AddRange(ShownElsewhere());
        if (instead is not null && sources.All(s => s.Id != instead.Id))
            sources.Add(instead);
        var figures = sources.SelectMany(s => s.Document.Figures).ToList();
        var assets = workspace.Assets.FindMany([.. figures.SelectMany(f => f.Assets).Distinct()]);
        var behindWords = sources
            .SelectMany(s => s.Document.Backdrops)
            .SelectMany(b => b.Followers.Select(f => f.Figure.AssetId).Append(b.Backdrop.AssetId ?? ""))
            .Concat(
                sources
                    .SelectMany(s => s.Arrangements)
                    .Where(a =>
                        a.Arrangement.Kind != ArrangementKind.Gallery
                        && ControlsCheck.NeedsPictures(a.Arrangement.Slider, style.Colours)
                    )
                    .SelectMany(a => a.Pictures)
                    .Select(f => f.AssetId)
            )
            .ToHashSet();
        var pictures = assets.Select(a => a.Facts).Concat(pending ?? []).DistinctBy(f => f.Id).ToDictionary(f => f.Id);
        var layout = new PageLayout(style);
        return new(
            style,
            pictures,
            new SiteAddresses(paths ?? rows.ToDictionary(p => p.Key, p => p.Value.Path), new HashSet<string>())
            {
                FileById = LinkedFiles(),
            },
            [
                .. sources.SelectMany(s =>
                    PlacesOf(s, s.Id == instead?.Id ? null : rows.GetValueOrDefault(s.Id), layout, pictures)
                ),
            ]
        )
        {
            Grids = assets
                .Where(a => behindWords.Contains(a.Id))
                .Select(a => (a.Id, Grid: grids.Of(a)))
                .Where(g => g.Grid is not null)
                .ToDictionary(g => g.Id, g => g.Grid!),
        };
    }

    /// <summary>
    /// Places of pages as they are kept, each with what they were worked out from: most pages are the same from one
    /// look to the next.
    /// </summary>
    private readonly ConcurrentDictionary<string, (PlacesFrom From, ImmutableArray<Place> Places)> _places = new();

    /// <param name="kept">Null for a page that is not as it is kept.</param>
    private ImmutableArray<Place> PlacesOf(
        ResolvedPage source,
        PageRow? kept,
        PageLayout layout,
        IReadOnlyDictionary<string, PictureFacts> pictures
    )
    {
        ImmutableArray<Place> Now() =>
            [.. GalleryPages.Of(source).SelectMany(sheet => PagePlanner.PlacesOf(sheet, layout, pictures))];
        if (kept is null)
            return Now();
        var from = new PlacesFrom(
            ParsedOf(kept),
            [.. ResolvedBlocks.SetsOf(source.Document)],
            layout.Style,
            [.. source.Document.Figures.SelectMany(f => f.Assets).Distinct().Select(pictures.GetValueOrDefault)]
        );
        if (_places.TryGetValue(source.Id, out var known) && known.From.IsSameAs(from))
            return known.Places;
        var places = Now();
        _places[source.Id] = (from, places);
        return places;
    }

    /// <summary>All that says where a page's pictures stand and what of them is shown.</summary>
    private sealed record PlacesFrom(
        Document Draft,
        ImmutableArray<Arrangement> Sets,
        SiteStyle Style,
        ImmutableArray<PictureFacts?> Pictures
    )
    {
        // Drafts, arrangements and styles are read once for each of their versions; pictures come anew from the
        // database each time.
        public bool IsSameAs(PlacesFrom other) =>
            ReferenceEquals(Draft, other.Draft)
            && ReferenceEquals(Style, other.Style)
            && Sets.AsEnumerable<object>().SequenceEqual(other.Sets, ReferenceEqualityComparer.Instance)
            && Pictures.Select(Drawn).SequenceEqual(other.Pictures.Select(Drawn));

        private static (string?, PixelSize?, PictureFormat?, FocalRegion?, string?, string?, string?) Drawn(
            PictureFacts? p
        ) => (p?.Id, p?.Size, p?.Format, p?.Keep, p?.Metadata.Title, p?.Metadata.Caption, p?.Metadata.Description);
    }

    /// <inheritdoc cref="PageStatus"/>
    public string StateOf(PageRow page) => PageStatus.Of(page.IsOn, page.Published, () => ContentOf(page));

    /// <summary>
    /// All that a person can change of what a page shows: its own, the words and keep areas of its pictures, and the
    /// site's style.
    /// </summary>
    public string ContentOf(PageRow page)
    {
        var pictures = workspace
            .Assets.FindMany([.. DocumentOf(page).Figures.SelectMany(f => f.Assets).Distinct()])
            .OrderBy(a => a.Id, StringComparer.Ordinal)
            .Select(a => new
            {
                a.Id,
                a.Facts.Edition,
                a.Facts.Keep,
                a.Facts.Metadata.Title,
                a.Facts.Metadata.Alt,
                a.Facts.Metadata.Caption,
                a.Facts.Metadata.Description,
            });
        var content = Json.Write(
            new
            {
                page.Title,
                page.Path,
                page.Summary,
                page.Draft,
                Pictures = pictures,
                Style = workspace.Style.Mark,
                Arrangements = DocumentOf(page)
                    .SetIds.Select(id => ArrangementOf(id) is { } set ? ArrangementValues.Of(set).Write() : null),
            }
        );
        // Beside the rest: what was published before there were dates is no other for that.
        return page.Dated is { } day ? content + Json.Write(day) : content;
    }

    /// <summary>
    /// Addresses of the other files on the public site, from its root, by id; what is taken away has none.
    /// </summary>
    public IReadOnlyDictionary<string, string> DownloadNames() =>
        Download
            .PublicNames(workspace.Downloads.All().Where(d => d.AwaySince is null).Select(d => d.Facts))
            .ToDictionary(n => n.Key, n => FilesFolder + n.Value);

    /// <summary>The other files that can be linked to, by id.</summary>
    public IReadOnlyDictionary<string, LinkedFile> LinkedFiles()
    {
        var names = DownloadNames();
        return workspace
            .Downloads.All()
            .Where(d => names.ContainsKey(d.Id))
            .ToDictionary(d => d.Id, d => new LinkedFile(names[d.Id], d.Facts.Title, d.Facts.Type.Name, d.Facts.Bytes));
    }

    /// <summary>The pages whose drafts link to each of the other files, be it there or taken away.</summary>
    public ILookup<string, PageRow> LinksByDownload() =>
        workspace
            .Pages.All()
            .SelectMany(page =>
                TextRuns
                    .LinksIn(DocumentOf(page))
                    .Where(l => l.StartsWith(Link.File.Scheme, StringComparison.Ordinal))
                    .Select(l => (FileId: l[Link.File.Scheme.Length..], Page: page))
            )
            .ToLookup(l => l.FileId, l => l.Page);

    /// <summary>Pages of arrangements that sites elsewhere show in a frame.</summary>
    public IEnumerable<ResolvedPage> ShownElsewhere() =>
        workspace
            .Arrangements.All()
            .Select(row => ArrangementOf(row.Id))
            .OfType<Arrangement>()
            .Where(set => set.IsShownElsewhere)
            .Select(SnippetPage.PageOf);

    /// <summary>Pages and posts that are on.</summary>
    public IReadOnlyList<PageRow> PublicPages() => [.. workspace.Pages.All().Where(p => p.IsOn)];

    /// <summary>What of pages stands round others: the menu of pages, and the front page's list of posts.</summary>
    public RoundPages Round()
    {
        var frame = Frame();
        return new(Lines(frame.Menu.Where(e => e.Path.Length > 0), false), Lines(frame.Posts, true));

        static IReadOnlyList<MenuLine> Lines(IEnumerable<MenuEntry> entries, bool isSummed) =>
            [.. entries.Select(e => new MenuLine(e.PageId, e.Title, e.Path, isSummed ? e.Summary : "", e.Dated))];
    }

    /// <summary>What stands round every page: name, menu, foot.</summary>
    public SiteFrame Frame()
    {
        var pages = PublicPages();
        return new(workspace.Style.Current.Name, workspace.Style.Current.Language, Entries("page"), Entries("post"));

        IReadOnlyList<MenuEntry> Entries(string kind) =>
            [
                .. pages
                    .Where(p => p.Kind == kind)
                    .Select(p => new MenuEntry(p.Id, p.Title, p.Path, p.Summary) { Dated = p.Dated }),
            ];
    }

    /// <summary>Where each picture stands on drafts of pages that are on or off: the library's "used in".</summary>
    public ILookup<string, (PageRow Page, FigureBlock Figure, Placement Stand)> PlacesByPicture() =>
        CutsByPicture()
            .SelectMany(picture => picture.DistinctBy(p => (p.Page.Id, p.Figure.Id)))
            .ToLookup(p => p.Figure.AssetId);

    /// <summary>The same, with each cut of a place in which widths differ.</summary>
    public ILookup<string, (PageRow Page, FigureBlock Figure, Placement Stand)> CutsByPicture()
    {
        var layout = new PageLayout(workspace.Style.Current);
        return workspace
            .Pages.All()
            .SelectMany(page =>
                GalleryPages
                    .Of(PageOf(page))
                    .SelectMany(sheet => layout.Standing(new LaidPage(sheet.Document, _ => null, layout)))
                    .DistinctBy(s => (s.Figure.Id, s.Figure.AssetId, s.On))
                    .Select(s => (Page: page, s.Figure, Stand: s))
            )
            .ToLookup(p => p.Figure.AssetId);
    }
}
