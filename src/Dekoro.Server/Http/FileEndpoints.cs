using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;
using Dekoro.Core.Planning;
using Dekoro.Core.Widths;
using Dekoro.Imaging;
using Dekoro.Server.Work;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Net.Http.Headers;

namespace Dekoro.Server.Http;

/// <summary>A keep area: fractions of the picture's width and height.</summary>
public sealed record KeepArea(double X, double Y, double Width, double Height, bool ByHand);

/// <param name="Picture">Names its proofs: the id with the version in use.</param>
/// <param name="SuggestedTitle">Empty where the file's name gives nothing readable.</param>
/// <param name="Places">How many places it stands in.</param>
/// <param name="Twins">Ids of those in the library that look the same.</param>
/// <param name="AwaySince">Since when it is taken away; null while it is in the library.</param>
/// <param name="OwnAddress">Where it is on the public site even where no page shows it, from its root.</param>
/// <param name="GoesOn">When it goes for good; null while it is in the library.</param>
public sealed record FileItem(
    string Id, string Picture, string FileName, PictureFormat Format, int Width, int Height, int Frames, long Bytes, string Colour, bool HasAlpha,
    Words Words, KeepArea? Keep, IReadOnlyList<Mark> Marks, string SuggestedTitle, int Places, DateTimeOffset AddedAt, string? TakenOn, long Version,
    IReadOnlyList<string> Twins, DateTimeOffset? AwaySince, DateTimeOffset? GoesOn, string AddedBy, IReadOnlyList<string> Colours, string? OwnAddress, ThroughLook? Through = null);

/// <summary>A picture looked at through a place.</summary>
/// <param name="Loss">What the cut takes from the keep area, in words; empty for nothing.</param>
/// <param name="Phone">Null where it is not shown on phones, and so for desktops.</param>
public sealed record ThroughLook(Cut Cut, string Loss, FitLook? Phone, FitLook? Desktop);

/// <summary>A filter that can be switched on or off for the search at hand.</summary>
/// <param name="Line">The search line once it is switched.</param>
/// <param name="Count">How many pictures of the search it would leave.</param>
public sealed record FilterSwitch(string Group, string Name, string Line, long Count, bool IsOn);

/// <param name="Size">As people say it: "a third", "320 px".</param>
/// <param name="Beside">The words that stand beside it there; empty for none.</param>
public sealed record FilePlace(string PageId, string PageTitle, string BlockId, string Size, string? Shape, string Beside);

/// <param name="LookAlikes">Those in the library that look the same.</param>
public sealed record FileDetail(FileItem File, IReadOnlyList<FileItem> LookAlikes, IReadOnlyList<FilePlace> StandsIn);

/// <param name="Switches">With the first pictures of a search only, as the folders.</param>
/// <param name="NotUnderstood">Sentences about what was typed like a filter and is none.</param>
public sealed record FileList(
    long Total, IReadOnlyList<FileItem> Items, IReadOnlyList<string> Folders, IReadOnlyList<FilterSwitch> Switches, IReadOnlyList<string> NotUnderstood);

/// <summary>The order and shape of all that a search finds: enough to lay it out before any of it is loaded.</summary>
/// <param name="Shapes">Width over height in thousandths, as drawn: through a place in the place's cut.</param>
public sealed record FileOutline(IReadOnlyList<string> Ids, IReadOnlyList<int> Shapes);

public sealed record SomeFiles(IReadOnlyList<FileItem> Items);

public sealed record TakenList(IReadOnlyList<Taken> Files);

/// <summary>What is to be different; null leaves a value as it is.</summary>
public sealed record FileChange(
    string? Title = null, string? Alt = null, string? Caption = null, string? Description = null, string? Credit = null, string? Rights = null,
    string? Folder = null, KeepArea? Keep = null, string? Keywords = null, IReadOnlyDictionary<string, string>? Own = null, bool? HasOwnAddress = null)
{
    public Words On(Words was) => was.With(Title, Alt, Caption, Description, Credit, Rights, Folder, keywords: Keywords, own: Own);
}

internal static class FileEndpoints
{
    private const int MostWord = 5000, MostAtOnce = 5000, MostOwn = 24;

    public static void MapFiles(this IEndpointRouteBuilder api)
    {
        api.MapGet("/files", List).WithSummary("Searches the library by words, prefixes and filters, newest first; with a size (and shape) through a place, best first.");
        api.MapGet("/files/outline", Outline).WithSummary("The order and shape of all that a search finds.");
        api.MapPost("/files/these", These).WithSummary("Some pictures by id, in the order asked for; ids that are not there are left out.");
        api.MapPost("/files", Add).WithSummary("Takes files in; the answer says for each its id, or why not.").Accepts<IFormFileCollection>("multipart/form-data").DisableAntiforgery()
            .Takes(Bodies.NoLimit);
        api.MapGet("/files/{id}", One).WithSummary("One picture, with the places it stands in.");
        api.MapPatch("/files/{id}", Change).WithSummary("Changes words or keep area; If-Match names the version it started from.");
    }

    private static Results<Ok<FileList>, ProblemHttpResult> List(
        Workspace workspace, PlanBook book, string? query = null, int skip = 0, int take = 100, string? size = null, string? shape = null)
    {
        var search = LibraryQuery.Read(query);
        var places = book.PlacesByPicture();
        var used = places.Select(p => p.Key).ToHashSet();
        (skip, take) = (Math.Max(0, skip), Math.Clamp(take, 1, MostAtOnce));
        // What comes after the first pictures of a search has the same filters.
        List<(string Group, string Name, LibraryFilter Filter)> switches = skip > 0 ? [] : [.. Switches, .. OwnSwitches(workspace)];
        var further = switches.Select(s => s.Filter).ToList();
        IReadOnlyList<FileItem> items;
        IReadOnlyList<long> counts;
        long total;
        if (string.IsNullOrEmpty(size))
        {
            (var page, total, counts) = workspace.Assets.Search(search, used, skip, take, further);
            var twins = workspace.Assets.TwinsOf([.. page.Select(a => a.Id)]);
            items = [.. page.Select(a => ItemOf(a, places[a.Id].Count(), twins[a.Id]))];
        }
        else
        {
            var layout = new PageLayout(workspace.Style.Current);
            if (PlaceOf(size, shape, layout) is not { } place) return NoPlace();
            (var all, total, counts) = workspace.Assets.Search(search, used, 0, int.MaxValue, further);
            var byId = all.ToDictionary(a => a.Id);
            items = [.. BestFirst(all, place, layout).Skip(skip).Take(take).Select(s => ItemOf(byId[s.Picture.Id], places[s.Picture.Id].Count()) with { Through = ThroughOf(s) })];
        }
        if (skip > 0) return TypedResults.Ok(new FileList(total, items, [], [], search.NotUnderstood));
        return TypedResults.Ok(new FileList(total, items, workspace.Assets.Folders(),
            [
                .. switches.Select((s, i) => new FilterSwitch(s.Group, s.Name, search.Turned(s.Filter).Written, counts[i], search.Filters.Contains(s.Filter))),
                AwaySwitch(search, used, workspace),
            ], search.NotUnderstood));
    }

    private static readonly (string Group, string Name, LibraryFilter Filter)[] Switches =
    [
        ("Shape", "wide", new(FilterKind.Shape, "wide")), ("Shape", "tall", new(FilterKind.Shape, "tall")), ("Shape", "square", new(FilterKind.Shape, "square")),
        ("Use", "unused", new(FilterKind.Unused)), ("Use", "used", new(FilterKind.Used)),
        ("Mend", "no alt", new(FilterKind.NoAlt)), ("Mend", "no title", new(FilterKind.NoTitle)), ("Mend", "soft", new(FilterKind.Soft)), ("Mend", "twin", new(FilterKind.Twin)),
        .. ColourNames.All.Select(name => ("Colour", name, new LibraryFilter(FilterKind.Colour, name))),
        .. Enum.GetValues<PictureFormat>().Select(format => ("Type", Probe.Named(format), new LibraryFilter(FilterKind.Type, format.ToString().ToLowerInvariant()))),
    ];

    /// <summary>Filters whose values the library itself gives.</summary>
    private static IEnumerable<(string Group, string Name, LibraryFilter Filter)> OwnSwitches(Workspace workspace) =>
    [
        .. workspace.Assets.Folders().Take(MostOwn).Select(folder => ("Folder", folder, new LibraryFilter(FilterKind.Folder, folder))),
        .. workspace.Assets.People().Take(MostOwn).Select(name => ("Added by", name, new LibraryFilter(FilterKind.By, name))),
    ];

    /// <summary>What is taken away is counted by a search of its own: every other search leaves it out.</summary>
    private static FilterSwitch AwaySwitch(LibraryQuery search, IReadOnlyCollection<string> used, Workspace workspace)
    {
        var (away, isOn) = (new LibraryFilter(FilterKind.Away), search.Filters.Any(f => f.Kind == FilterKind.Away));
        return new("Waiting", "taken away", search.Turned(away).Written, workspace.Assets.Search(isOn ? search : search.Turned(away), used, 0, 0).Total, isOn);
    }

    private static Results<Ok<FileOutline>, ProblemHttpResult> Outline(Workspace workspace, PlanBook book, string? query = null, string? size = null, string? shape = null)
    {
        var (search, used) = (LibraryQuery.Read(query), book.PlacesByPicture().Select(p => p.Key).ToHashSet());
        static int Thousandths(double width, double height) => (int)Math.Round(1000 * width / height);
        if (string.IsNullOrEmpty(size))
        {
            var all = workspace.Assets.Outline(search, used);
            return TypedResults.Ok(new FileOutline([.. all.Select(f => f.Id)], [.. all.Select(f => Thousandths(f.Size.Width, f.Size.Height))]));
        }
        var layout = new PageLayout(workspace.Style.Current);
        if (PlaceOf(size, shape, layout) is not { } place) return NoPlace();
        var standings = BestFirst(workspace.Assets.Search(search, used, 0, int.MaxValue).Page, place, layout).ToList();
        return TypedResults.Ok(new FileOutline([.. standings.Select(s => s.Picture.Id)], [.. standings.Select(s => Thousandths(s.Cut.Width, s.Cut.Height))]));
    }

    private static Results<Ok<SomeFiles>, ProblemHttpResult> These(FileIds files, Workspace workspace, PlanBook book)
    {
        if (files.Ids.Count > MostAtOnce) return Problems.Of(400, $"At most {MostAtOnce} pictures are looked up at once.", "ids");
        var (found, places, twins) = (workspace.Assets.FindMany(files.Ids).ToDictionary(a => a.Id), book.PlacesByPicture(), workspace.Assets.TwinsOf([.. files.Ids]));
        return TypedResults.Ok(new SomeFiles([.. files.Ids.Distinct().Where(found.ContainsKey).Select(id => ItemOf(found[id], places[id].Count(), twins[id]))]));
    }

    private static IEnumerable<Standing> BestFirst(IReadOnlyList<Asset> all, (SlotWidth Slot, AspectRatio? Shape) place, PageLayout layout) =>
        LookThrough.BestFirst(all.Select(a => LookThrough.Of(a.Facts, place.Slot, new CutChoice(place.Shape), layout)));

    private static ProblemHttpResult NoPlace() => Problems.Of(400, "A place has a size, as in size=half, and perhaps a shape, as in shape=16:9.", "size");

    internal static ThroughLook ThroughOf(Standing s) => new(s.Cut, s.Loss.InWords(), Looking.FitOf(s.Fits.Phone), Looking.FitOf(s.Fits.Desktop));

    private static (SlotWidth Slot, AspectRatio? Shape)? PlaceOf(string size, string? shape, PageLayout layout)
    {
        AspectRatio? cut = null;
        if (!string.IsNullOrEmpty(shape))
        {
            if (!AspectRatio.TryParse(shape, out var parsed)) return null;
            cut = parsed;
        }
        return PlaceName.SlotOf(size, layout) is { } slot ? (slot, cut) : null;
    }

    private static Results<Ok<FileDetail>, ProblemHttpResult> One(string id, Workspace workspace, PlanBook book)
    {
        if (workspace.Assets.Find(id) is not { } asset) return Problems.NoPicture();
        var places = book.PlacesByPicture()[id].ToList();
        var twins = workspace.Assets.TwinsOf([id])[id];
        return TypedResults.Ok(new FileDetail(ItemOf(asset, places.Count, twins), [.. workspace.Assets.FindMany([.. twins]).Select(t => ItemOf(t, 0))],
            [.. places.Select(p => new FilePlace(p.Page.Id, p.Page.Title, p.Figure.Id, SizeOf(p.Figure.Size), p.Figure.Cut.Shape?.ToString(), PlainText.Beside(book.DocumentOf(p.Page), p.Figure.Id)))]));
    }

    private static async Task<Results<Ok<TakenList>, ProblemHttpResult>> Add(HttpRequest request, Workspace workspace, TakingIn takingIn, string? folder, CancellationToken stop)
    {
        if (!workspace.HasRoom) return Problems.Of(507, TakingIn.LittleRoom);
        if (!MediaTypeHeaderValue.TryParse(request.ContentType, out var type) || !type.MediaType.Equals("multipart/form-data", StringComparison.OrdinalIgnoreCase)
            || HeaderUtilities.RemoveQuotes(type.Boundary).Value is not { Length: > 0 and <= 200 } boundary)
            return Problems.Of(415, "Send files as multipart/form-data, each in a field called “file”.");
        var taken = new List<Taken>();
        try
        {
            var reader = new MultipartReader(boundary, request.Body) { HeadersLengthLimit = 16_384 };
            while (await reader.ReadNextSectionAsync(stop) is { } section)
            {
                if (section.GetContentDispositionHeader() is not { } disposition || !disposition.IsFileDisposition()) continue;
                var name = disposition.FileNameStar.HasValue ? disposition.FileNameStar.Value : disposition.FileName.Value;
                // A part must be read to its end before the next one begins, so files of one request come in one after the other.
                taken.Add(await takingIn.TakeAsync(HeaderUtilities.RemoveQuotes(name ?? "").Value ?? "", section.Body, new Words(Folder: folder ?? ""), stop));
            }
        }
        catch (Exception e) when (e is InvalidDataException or IOException && !stop.IsCancellationRequested)
        {
            if (taken.Count == 0) return Problems.Of(400, "The upload broke off before a file was whole: try it again.");
        }
        return taken.Count == 0
            ? Problems.Of(400, "There was no file in the upload: send each in a field called “file”.")
            : TypedResults.Ok(new TakenList(taken));
    }

    private static Results<Ok<FileItem>, ProblemHttpResult> Change(
        string id, FileChange change, Workspace workspace, PlanBook book, Events events, BackgroundWork background, HttpRequest request, HttpResponse response)
    {
        if (workspace.Assets.Find(id) is not { } asset) return Problems.NoPicture();
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version) return Problems.NoVersion();
        var was = asset.Facts.Words;
        var words = change.On(was);
        if (WordsError(words) is { } error) return Problems.Of(400, error, words.Title.Trim().Length == 0 ? "title" : null);
        var (keep, byHand) = (asset.Facts.Keep, asset.KeepByHand);
        if (change.Keep is { } drawn)
        {
            try
            {
                (keep, byHand) = (new KeepBox(drawn.X, drawn.Y, drawn.Width, drawn.Height), true);
            }
            catch (ArgumentOutOfRangeException)
            {
                return Problems.Of(400, "A keep area lies inside the picture and is not empty: draw it again.", "keep");
            }
        }
        var address = change.HasOwnAddress switch
        {
            true => new AddressChange(taken => OwnAddress.For(asset.Facts with { Words = words }, taken)),
            false => new AddressChange(null),
            null => null,
        };
        if (!workspace.Assets.Change(id, version, words, keep, byHand, address))
        {
            return workspace.Assets.Find(id) is { } meanwhile
                ? Problems.Stale("Someone changed this picture's words meanwhile: theirs are shown now, yours are still in the field.", ItemOf(meanwhile, 0), change)
                : Problems.NoPicture();
        }
        events.Send("library", new { id });
        background.Prepare();
        var now = workspace.Assets.Find(id)!;
        response.Headers.ETag = Problems.ETagOf(now.Version);
        return TypedResults.Ok(ItemOf(now, book.PlacesByPicture()[id].Count()));
    }

    /// <returns>Null where the words will do.</returns>
    internal static string? WordsError(Words words) =>
        words.Own.Keys.FirstOrDefault(n => !OwnWords.IsName(n)) is { } odd ? $"“{odd}” cannot head a column: letters, digits and spaces, at most {OwnWords.MostName}." :
        TooLong([.. words.Own.Values]) ?? TooLong(words.Title, words.Alt, words.Caption, words.Description, words.Credit, words.Rights, words.Folder, words.Source, words.Keywords)
        ?? (words.Title.Trim().Length == 0 ? "A picture needs a title: type one, or take the suggested one." : null);

    /// <returns>Null where none is.</returns>
    internal static string? TooLong(params string[] texts) => texts.Any(t => t.Length > MostWord) ? $"A text here holds at most {MostWord} characters: shorten it." : null;

    /// <param name="twins">Of those in the library that look the same; null where nobody asks.</param>
    public static FileItem ItemOf(Asset asset, int places, IEnumerable<string>? twins = null)
    {
        var f = asset.Facts;
        return new(f.Id, ProofAddresses.NameOf(f), f.FileName, f.Format, f.Size.Width, f.Size.Height, f.Frames, f.FileBytes, asset.Colour, f.HasAlpha, f.Words,
            f.Keep is { } k ? new(k.X, k.Y, k.Width, k.Height, asset.KeepByHand) : null,
            [.. Marks.Of(f)], FileNames.SuggestTitle(f.FileName, f.Words.Description), places, asset.AddedAt, asset.TakenOn, asset.Version,
            [.. twins ?? []], asset.AwaySince, asset.AwaySince?.AddDays(Leaving.WaitDays), asset.AddedBy, asset.Colours ?? [], asset.OwnAddress);
    }

    internal static string SizeOf(FigureSize size) => size switch { FigureSize.ByPx px => $"{px.CssPx} px", FigureSize.ByRole role => Remedy.NameOf(role.Role), FigureSize.Behind => "behind a band", FigureSize.InLine => "a line of text", FigureSize.InSet => "an arrangement", _ => "a cell" };
}
