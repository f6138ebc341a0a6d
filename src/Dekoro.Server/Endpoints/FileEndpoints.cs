using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Application.Trash;
using Dekoro.Core.Checks;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
using Dekoro.Imaging;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Net.Http.Headers;

namespace Dekoro.Server.Endpoints;

internal static class FileEndpoints
{
    private const int MaxWord = 5000,
        MaxOwn = 24;

    public static void MapFiles(this IEndpointRouteBuilder api)
    {
        api.MapGet("/files", List)
            .WithSummary(
                "Searches the library by words, prefixes and filters, newest first; with a size (and shape) "
                    + "through a place, best first."
            );
        api.MapGet("/files/outline", Outline).WithSummary("The order and shape of all that a search finds.");
        api.MapPost("/files/these", These)
            .WithSummary("Some pictures by id, in the order asked for; ids that are not there are left out.");
        api.MapPost("/files", Add)
            .WithSummary("Takes files in; the answer says for each its id, or why not.")
            .Accepts<IFormFileCollection>("multipart/form-data")
            .DisableAntiforgery()
            .Takes(Bodies.NoLimit);
        api.MapGet("/files/{id}", One).WithSummary("One picture, with the places it stands in.");
        api.MapPatch("/files/{id}", Change)
            .WithSummary("Changes words or keep area; If-Match names the version it started from.");
    }

    private static Results<Ok<FileList>, ProblemHttpResult> List(
        Workspace workspace,
        PlanningContext planning,
        string? query = null,
        int skip = 0,
        int take = 100,
        string? size = null,
        string? shape = null
    )
    {
        var search = LibraryQuery.Read(query);
        var places = planning.Used.Places;
        var used = places.Select(p => p.Key).ToHashSet();
        (skip, take) = (Math.Max(0, skip), Math.Clamp(take, 1, PictureChanges.MaxAtOnce));
        // What comes after the first pictures of a search has the same filters.
        List<(string Group, string Name, LibraryFilter Filter)> switches =
            skip > 0 ? [] : [.. Switches, .. OwnSwitches(workspace)];
        var further = switches.Select(s => s.Filter).ToList();
        IReadOnlyList<FileItem> items;
        IReadOnlyList<long> counts;
        long total;
        if (string.IsNullOrEmpty(size))
        {
            (var page, total, counts) = workspace.Assets.Search(search, used, skip, take, further);
            var twins = workspace.Looks.TwinsOf([.. page.Select(a => a.Id)]);
            items = [.. page.Select(a => ItemOf(a, places[a.Id].Count(), twins[a.Id]))];
        }
        else
        {
            var layout = new PageLayout(workspace.Style.Current);
            if (PlaceOf(size, shape, layout) is not { } place)
                return NoPlace();
            (var all, total, counts) = workspace.Assets.Search(search, used, 0, int.MaxValue, further);
            var byId = all.ToDictionary(a => a.Id);
            items =
            [
                .. BestFirst(all, place, layout)
                    .Skip(skip)
                    .Take(take)
                    .Select(s =>
                        ItemOf(byId[s.Picture.Id], places[s.Picture.Id].Count()) with
                        {
                            Through = ThroughOf(s),
                        }
                    ),
            ];
        }
        return TypedResults.Ok(
            skip > 0
                ? new FileList(total, items, [], [], search.NotUnderstood)
                : new FileList(
                    total,
                    items,
                    workspace.Assets.Folders(),
                    [.. SwitchesOf(search, switches, counts), AwaySwitch(search, used, workspace)],
                    search.NotUnderstood
                )
        );
    }

    private static IEnumerable<FilterSwitch> SwitchesOf(
        LibraryQuery search,
        List<(string Group, string Name, LibraryFilter Filter)> switches,
        IReadOnlyList<long> counts
    ) =>
        switches.Select(
            (s, i) =>
                new FilterSwitch(
                    s.Group,
                    s.Name,
                    search.Turned(s.Filter).Written,
                    counts[i],
                    search.Filters.Contains(s.Filter)
                )
        );

    private static readonly (string Group, string Name, LibraryFilter Filter)[] Switches =
    [
        ("Shape", "wide", new(FilterKind.Shape, "wide")),
        ("Shape", "tall", new(FilterKind.Shape, "tall")),
        ("Shape", "square", new(FilterKind.Shape, "square")),
        ("Use", "unused", new(FilterKind.Unused)),
        ("Use", "used", new(FilterKind.Used)),
        ("Mend", "no alt", new(FilterKind.NoAlt)),
        ("Mend", "no title", new(FilterKind.NoTitle)),
        ("Mend", "soft", new(FilterKind.Soft)),
        ("Mend", "twin", new(FilterKind.Twin)),
        .. ColourNames.All.Select(name => ("Colour", name, new LibraryFilter(FilterKind.Colour, name))),
        .. Enum.GetValues<PictureFormat>()
            .Select(format =>
                ("Type", Probe.Named(format), new LibraryFilter(FilterKind.Type, format.ToString().ToLowerInvariant()))
            ),
    ];

    /// <summary>Filters whose values the library itself gives.</summary>
    private static IEnumerable<(string Group, string Name, LibraryFilter Filter)> OwnSwitches(Workspace workspace) =>
        [
            .. workspace
                .Assets.Folders()
                .Take(MaxOwn)
                .Select(folder => ("Folder", folder, new LibraryFilter(FilterKind.Folder, folder))),
            .. workspace
                .Assets.People()
                .Take(MaxOwn)
                .Select(name => ("Added by", name, new LibraryFilter(FilterKind.By, name))),
        ];

    /// <summary>What is taken away is counted by a search of its own: every other search leaves it out.</summary>
    private static FilterSwitch AwaySwitch(LibraryQuery search, IReadOnlyCollection<string> used, Workspace workspace)
    {
        var (away, isOn) = (new LibraryFilter(FilterKind.Away), search.Filters.Any(f => f.Kind == FilterKind.Away));
        return new(
            "Waiting",
            "removed",
            search.Turned(away).Written,
            workspace.Assets.Search(isOn ? search : search.Turned(away), used, 0, 0).Total,
            isOn
        );
    }

    private static Results<Ok<FileOutline>, ProblemHttpResult> Outline(
        Workspace workspace,
        PlanningContext planning,
        string? query = null,
        string? size = null,
        string? shape = null
    )
    {
        var (search, used) = (LibraryQuery.Read(query), planning.Used.Places.Select(p => p.Key).ToHashSet());
        static int Thousandths(double width, double height) => (int)Math.Round(1000 * width / height);
        if (string.IsNullOrEmpty(size))
        {
            var all = workspace.Assets.Outline(search, used);
            return TypedResults.Ok(
                new FileOutline(
                    [.. all.Select(f => f.Id)],
                    [.. all.Select(f => Thousandths(f.Size.Width, f.Size.Height))]
                )
            );
        }
        var layout = new PageLayout(workspace.Style.Current);
        if (PlaceOf(size, shape, layout) is not { } place)
            return NoPlace();
        var standings = BestFirst(workspace.Assets.Search(search, used, 0, int.MaxValue).Page, place, layout).ToList();
        return TypedResults.Ok(
            new FileOutline(
                [.. standings.Select(s => s.Picture.Id)],
                [.. standings.Select(s => Thousandths(s.Cut.Width, s.Cut.Height))]
            )
        );
    }

    private static Results<Ok<SomeFiles>, ProblemHttpResult> These(
        FileIds files,
        Workspace workspace,
        PlanningContext planning
    )
    {
        if (files.Ids.Count > PictureChanges.MaxAtOnce)
            return Problems.Of(400, $"At most {PictureChanges.MaxAtOnce} pictures are looked up at once.", "ids");
        var (found, places, twins) = (
            workspace.Assets.FindMany(files.Ids).ToDictionary(a => a.Id),
            planning.Used.Places,
            workspace.Looks.TwinsOf([.. files.Ids])
        );
        return TypedResults.Ok(
            new SomeFiles([
                .. files
                    .Ids.Distinct()
                    .Where(found.ContainsKey)
                    .Select(id => ItemOf(found[id], places[id].Count(), twins[id])),
            ])
        );
    }

    private static IEnumerable<Standing> BestFirst(
        IReadOnlyList<Asset> all,
        (SlotWidth Slot, AspectRatio? Shape) place,
        PageLayout layout
    ) =>
        TrialPlacement.BestFirst(
            all.Select(a => TrialPlacement.Of(a.Facts, place.Slot, new CutChoice(place.Shape), layout))
        );

    private static ProblemHttpResult NoPlace() =>
        Problems.Of(400, "A place has a size, as in size=half, and perhaps a shape, as in shape=16:9.", "size");

    internal static TrialPlacementResponse ThroughOf(Standing s) =>
        new(s.Cut, s.Loss.InWords(), DraftPreview.FitOf(s.Fits.Phone), DraftPreview.FitOf(s.Fits.Desktop));

    private static (SlotWidth Slot, AspectRatio? Shape)? PlaceOf(string size, string? shape, PageLayout layout)
    {
        AspectRatio? cut = null;
        if (!string.IsNullOrEmpty(shape))
        {
            if (!AspectRatio.TryParse(shape, out var parsed))
                return null;
            cut = parsed;
        }
        return PlaceName.SlotOf(size, layout) is { } slot ? (slot, cut) : null;
    }

    private static Results<Ok<FileDetail>, ProblemHttpResult> One(
        string id,
        Workspace workspace,
        PlanningContext planning
    )
    {
        if (workspace.Assets.Find(id) is not { } asset)
            return Problems.NoPicture();
        var places = planning.Used.Places[id].ToList();
        var twins = workspace.Looks.TwinsOf([id])[id];
        return TypedResults.Ok(
            new FileDetail(
                ItemOf(asset, places.Count, twins),
                [.. workspace.Assets.FindMany([.. twins]).Select(t => ItemOf(t, 0))],
                [
                    .. places.Select(p => new FilePlace(
                        p.Page.Id,
                        p.Page.Title,
                        p.Figure.Id,
                        SizeOf(p.Figure.Size),
                        p.Figure.Cut.Shape?.ToString(),
                        PlainText.Beside(planning.DocumentOf(p.Page), p.Figure.Id)
                    )),
                ],
                workspace.Deposits.Find(id) is { } deposit ? DepositEndpoints.Told(deposit, asset) : null
            )
        );
    }

    private static async Task<Results<Ok<TakenList>, ProblemHttpResult>> Add(
        HttpRequest request,
        Workspace workspace,
        AssetIngest ingest,
        string? folder,
        CancellationToken stop
    )
    {
        if (!workspace.HasRoom)
            return Problems.Of(507, AssetIngest.LittleRoom);
        if (BoundaryOf(request) is not { } boundary)
            return Problems.Of(415, "Send files as multipart/form-data, each in a field called “file”.");
        var taken = new List<Taken>();
        try
        {
            var reader = new MultipartReader(boundary, request.Body) { HeadersLengthLimit = 16_384 };
            while (await reader.ReadNextSectionAsync(stop) is { } section)
            {
                if (NameOf(section) is not { } name)
                    continue;
                // A part must be read to its end before the next one begins, so files of one request come in one after
                // the other.
                taken.Add(await ingest.TakeAsync(name, section.Body, new PictureMetadata(Folder: folder ?? ""), stop));
            }
        }
        catch (Exception e) when (e is InvalidDataException or IOException && !stop.IsCancellationRequested)
        {
            if (taken.Count == 0)
                return Problems.Of(400, "The upload broke off before a file was whole: try it again.");
        }
        return taken.Count == 0
            ? Problems.Of(400, "There was no file in the upload: send each in a field called “file”.")
            : TypedResults.Ok(new TakenList(taken));
    }

    /// <summary>What stands between the parts of a form (RFC 7578); null for anything else.</summary>
    private static string? BoundaryOf(HttpRequest request) =>
        MediaTypeHeaderValue.TryParse(request.ContentType, out var type)
        && type.MediaType.Equals("multipart/form-data", StringComparison.OrdinalIgnoreCase)
        && HeaderUtilities.RemoveQuotes(type.Boundary).Value is { Length: > 0 and <= 200 } boundary
            ? boundary
            : null;

    /// <summary>The name of a file as it was sent; null for a part that is none.</summary>
    private static string? NameOf(MultipartSection section)
    {
        if (section.GetContentDispositionHeader() is not { } disposition || !disposition.IsFileDisposition())
            return null;
        var name = disposition.FileNameStar.HasValue ? disposition.FileNameStar.Value : disposition.FileName.Value;
        return HeaderUtilities.RemoveQuotes(name ?? "").Value ?? "";
    }

    private static Results<Ok<FileItem>, ProblemHttpResult> Change(
        string id,
        FileChange change,
        PictureChanges changes,
        PlanningContext planning,
        HttpRequest request,
        HttpResponse response
    )
    {
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version)
            return Problems.NoVersion();
        var result = changes.Change(id, version, change);
        if (result is ChangeResult<Asset>.Done done)
            response.Headers.ETag = Problems.ETagOf(done.Now.Version);
        return result.Answer(now => ItemOf(now, planning.Used.Places[id].Count()), change);
    }

    /// <param name="twins">Of those in the library that look the same; null where nobody asks.</param>
    public static FileItem ItemOf(Asset asset, int places, IEnumerable<string>? twins = null)
    {
        var f = asset.Facts;
        return new(
            f.Id,
            ProofAddresses.NameOf(f),
            f.FileName,
            f.Format,
            f.Size.Width,
            f.Size.Height,
            f.Frames,
            f.FileBytes,
            asset.Colour,
            f.HasAlpha,
            f.Metadata,
            f.Keep is { } k ? new(k.X, k.Y, k.Width, k.Height, asset.KeepByHand) : null,
            [.. Marks.Of(f)],
            FileNames.SuggestTitle(f.FileName, f.Metadata.Description),
            places,
            asset.AddedAt,
            asset.TakenOn,
            asset.Version,
            [.. twins ?? []],
            asset.AwaySince,
            asset.AwaySince?.AddDays(TrashPurge.WaitDays),
            asset.AddedBy,
            asset.Colours ?? [],
            asset.OwnAddress
        );
    }

    internal static string SizeOf(FigureSize size) =>
        size switch
        {
            FigureSize.ByPx px => $"{px.CssPx} px",
            FigureSize.ByRole role => Remedy.NameOf(role.Role),
            FigureSize.Behind => "behind a band",
            FigureSize.InLine => "a line of text",
            FigureSize.InSet => "an arrangement",
            _ => "a cell",
        };
}
