using System.Collections.Immutable;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;
using Dekoro.Core.Sites;
using Dekoro.Core.Widths;
using Dekoro.Imaging;
using Dekoro.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Http;

/// <param name="Name">"a third", "half", …</param>
/// <param name="Width">Its width at every viewport, for a grip to snap to.</param>
public sealed record SizeOffer(SizeRole Role, string Name, IReadOnlyList<Segment> Width);

/// <summary>What a figure's size in px and its shape (width over height) may be.</summary>
public sealed record FigureLimits(int LeastPx, int MostPx, double NarrowestShape, double WidestShape);

/// <summary>Columns of a number of cells in a row, with how many stand there on each class of screen.</summary>
public sealed record RowOffer(int Cells, PerClass<int> InRow, IReadOnlyList<ReachOffer> Reaches);

/// <summary>How far columns reach.</summary>
/// <param name="Place">Names a cell as a place to look through.</param>
/// <param name="Width">Of a cell, at every viewport.</param>
public sealed record ReachOffer(Extent Extent, string Name, string Place, IReadOnlyList<Segment> Width);

/// <summary>A colour of the site, to stand behind words or over a picture.</summary>
/// <param name="Colour">#rrggbb.</param>
public sealed record ColourOffer(string Name, string Colour);

/// <summary>What a band may be.</summary>
/// <param name="TintSteps">A tint's strength counts from 0 to this.</param>
public sealed record BandOffer(IReadOnlyList<ColourOffer> Colours, int MostHeightPx, int TintSteps);

/// <summary>A look that pictures of the site share.</summary>
/// <param name="Places">How many have it.</param>
/// <param name="Seen">Names it as it is, for saying with If-Match what a change started from.</param>
public sealed record LookOffer(string Id, string Name, LookValues Look, int Places, string Seen);

/// <param name="Name">Told apart from the others by it.</param>
public sealed record LookChange(string Name, LookValues Look);

/// <summary>How much a look may be of anything.</summary>
public sealed record LookLimits(int MostLinePx, int MostPaddingPx, int MostRoundPx, int MostShadowPx);

/// <summary>What the desk needs to know of the site.</summary>
public sealed record SiteLook(
    string Name, WidthClasses Classes, PerClass<int> FirstScreenPx, IReadOnlyList<string> Shapes, IReadOnlyList<SizeOffer> Sizes, IReadOnlyList<Segment> Column,
    FigureLimits Limits, IReadOnlyList<RowOffer> Rows, int MostCells, string? CellShape, BandOffer Bands, IReadOnlyList<LookOffer> Looks, LookLimits LookLimits, IReadOnlyList<string> Lines, bool IsPublished, LargestFile LargestFile, ArrangementLimits Arrangements);

/// <summary>Within what the layout of an arrangement is set.</summary>
public sealed record ArrangementLimits(
    int MostColumns, int MostGutterPx, int LeastHeightPx, int MostHeightPx, int MostCaptionLines, int MostInView, int LeastStayMs, int MostStayMs, int MostChangeMs, int MostPerSheet, int MostPeekPx);

/// <param name="Sentence">Said of a larger one, which need not be sent to be refused.</param>
public sealed record LargestFile(long Bytes, string Sentence);

/// <param name="Written">How the link is kept; null where it leads nowhere.</param>
public sealed record LinkLook(string? Written, string? Repair, string? Error);

/// <summary>The site's style, and what it means for the site.</summary>
/// <param name="Seen">Names the style as it is, for saying with If-Match which one a change was made to.</param>
/// <param name="Pairs">Its colours over each other.</param>
/// <param name="NewPictures">How many pictures need files that are not made yet, and how many files those are.</param>
public sealed record StyleLook(StyleValues Values, string Seen, IReadOnlyList<ColourPair> Pairs, int NewPictures, int NewFiles);

/// <summary>Another style than the one that If-Match names is not written over.</summary>
public sealed record StyleChange(StyleValues Values);

internal static class SiteEndpoints
{
    public static void MapSite(this IEndpointRouteBuilder api)
    {
        api.MapGet("/site", Site).WithSummary("Widths, shapes and sizes of the site.");
        api.MapGet("/site/style", (Workspace workspace, Publisher publisher) => TypedResults.Ok(StyleOf(workspace, publisher)))
            .WithSummary("What is set once for the whole site, and how many pictures need new files for it.");
        api.MapPut("/site/style", SetStyle).WithSummary("Changes what is set for the whole site: in drafts at once, for visitors when it is published.");
        api.MapPut("/site/looks/{id}", SetLook).WithSummary("Names a look for pictures to share, or changes one for all that have it.");
        api.MapDelete("/site/looks/{id}", TakeOutLook).WithSummary("Takes out a look that no picture has.");
        api.MapGet("/links", ReadLink).WithSummary("What a typed address is read as, with the repair that was made, or why not.");
        api.MapGet("/events", Listen).ExcludeFromDescription();
    }

    private static SiteLook Site(Workspace workspace, PlanBook book, LiveSite live)
    {
        var style = workspace.Style.Current;
        var layout = new PageLayout(style);
        return new(style.Name, style.Classes, style.FirstScreenPx, style.Shapes,
            [.. Enum.GetValues<SizeRole>().Select(r => new SizeOffer(r, Remedy.NameOf(r), layout.SlotOf(new FigureSize.ByRole(r)).Segments))],
            layout.Column.Segments,
            new(FigureSize.ByPx.Least, FigureSize.ByPx.Most, DocumentReader.NarrowestShape, DocumentReader.WidestShape),
            [.. Enumerable.Range(ColumnsBlock.LeastInRow, ColumnsBlock.MostInRow - ColumnsBlock.LeastInRow + 1).Select(n => new RowOffer(n, PageLayout.InRow(n),
                [.. Enum.GetValues<Extent>().Select(e => new ReachOffer(e, e == Extent.Wide ? Remedy.NameOf(SizeRole.Wide) : Remedy.NameOf(SizeRole.Column), PlaceName.Of(n, e), layout.CellOf(n, e).Segments))]))],
            ColumnsBlock.MostCells, style.CellShape,
            new([.. style.Colours.Offered().Select(c => new ColourOffer(c.Name, c.Colour))], BandBlock.MostHeightPx, Readability.Steps), LooksOf(workspace, book),
            new(PictureLook.MostLinePx, PictureLook.MostPaddingPx, Corners.MostPx, Shadow.MostPx), [.. VisitorLine.Offered.Select(l => l.Name)], live.IsThere, new(Limits.MostDownloadBytes, Limits.DownloadTooLarge),
            new(Gallery.MostColumns, Gallery.MostGutterPx, Gallery.LeastHeightPx, Gallery.MostHeightPx, Gallery.MostCaptionLines, Slider.MostInView, Slider.LeastStayMs, Slider.MostStayMs, Slider.MostChangeMs, Paging.Most, Slider.MostPeekPx));
    }

    private static StyleLook StyleOf(Workspace workspace, Publisher publisher)
    {
        var style = workspace.Style.Current;
        var (pictures, files) = publisher.NotMadeYet();
        return new(StyleValues.Of(style), SeenOf(style), StyleValues.PairsOf(style.Colours), pictures, files);
    }

    /// <summary>Names what a person may set of a style; looks have names of their own.</summary>
    private static string SeenOf(SiteStyle style) => StyleShelf.MarkOf(StyleValues.Of(style));

    private static Results<Ok<StyleLook>, ProblemHttpResult> SetStyle(StyleChange change, HttpRequest request, Workspace workspace, Publisher publisher, Events events)
    {
        if (Problems.MarkOf(request.Headers.IfMatch) is not { } seen) return Problems.NoVersion();
        var (isStale, reading) = (false, change.Values.Read(workspace.Style.Current));
        workspace.Style.Change(now =>
        {
            isStale = SeenOf(now) != seen;
            reading = change.Values.Read(now);
            return isStale ? null : reading.Style;
        });
        if (isStale)
        {
            return Problems.Stale("The site's style was changed in another window in the meantime: look at it as it is now, and change it again.",
                StyleOf(workspace, publisher), change.Values);
        }
        if (reading.Style is null)
            return Problems.Of(400, reading.Errors[0].Sentence, reading.Errors[0].Field, ("errors", reading.Errors));
        events.Send("site", new { workspace.Style.Mark });
        return TypedResults.Ok(StyleOf(workspace, publisher));
    }

    private static IReadOnlyList<LookOffer> LooksOf(Workspace workspace, PlanBook book)
    {
        var placed = book.PagesByArrangement();
        var sets = workspace.Arrangements.All().Where(row => !placed.Contains(row.Id)).Select(row => book.ArrangementOf(row.Id)).OfType<Arrangement>();
        var places = workspace.Pages.All().SelectMany(p => book.DocumentOf(p).Figures).Select(f => f.Look).Concat(sets.SelectMany(set => set.Shown.Select(_ => set.Look))).CountBy(look => look.NamedId ?? "").ToDictionary();
        return [.. workspace.Style.Current.Looks.Select(l => new LookOffer(l.Id, l.Name, LookValues.Of(l.Look), places.GetValueOrDefault(l.Id), StyleShelf.MarkOf(StoredLook.Of(l))))];
    }

    private static Results<Ok<IReadOnlyList<LookOffer>>, ProblemHttpResult> SetLook(string id, LookChange change, HttpRequest request, Workspace workspace, PlanBook book, Events events) =>
        ChangeLooks(id, change, request, workspace, book, events, looks => NamedLook.Set(looks, id, change.Name, change.Look));

    private static Results<Ok<IReadOnlyList<LookOffer>>, ProblemHttpResult> TakeOutLook(string id, HttpRequest request, Workspace workspace, PlanBook book, Events events)
    {
        if (LooksOf(workspace, book).FirstOrDefault(l => l.Id == id) is { Places: > 0 } used)
            return Problems.Of(409, $"{used.Name} stands on {used.Places} picture(s): give them another look first.");
        return ChangeLooks(id, null, request, workspace, book, events, looks => new(looks.RemoveAll(l => l.Id == id), null, null));
    }

    /// <summary>Changes the looks as they are at that moment: If-Match names the one look as it was seen, If-None-Match: * begins a new one.</summary>
    private static Results<Ok<IReadOnlyList<LookOffer>>, ProblemHttpResult> ChangeLooks(
        string id, LookChange? yours, HttpRequest request, Workspace workspace, PlanBook book, Events events, Func<ImmutableArray<NamedLook>, NamedLooks> change)
    {
        var (seen, isNew) = (Problems.MarkOf(request.Headers.IfMatch), request.Headers.IfNoneMatch == "*");
        if (seen is null && !isNew) return Problems.NoVersion();
        var (isStale, set) = (false, new NamedLooks(null, null, null));
        workspace.Style.Change(style =>
        {
            var there = style.Looks.FirstOrDefault(l => l.Id == id);
            isStale = isNew ? there is not null : there is null || StyleShelf.MarkOf(StoredLook.Of(there)) != seen;
            set = isStale ? set : change(style.Looks);
            return set.Looks is { } looks ? style with { Looks = looks } : null;
        });
        if (isStale)
            return Problems.Stale("This look was changed in another window meanwhile, so nothing was done: look at it as it is now, and change it again.", LooksOf(workspace, book), yours);
        if (set.Looks is null) return Problems.Of(400, set.Sentence!, set.Field);
        events.Send("site", new { workspace.Style.Mark });
        return TypedResults.Ok(LooksOf(workspace, book));
    }

    private static Ok<LinkLook> ReadLink(string typed, Workspace workspace, PlanBook book, HttpRequest request)
    {
        var site = new SiteAddresses(workspace.Pages.All().ToDictionary(p => p.Id, p => p.Path), new HashSet<string> { request.Host.Value ?? "" }) { FileById = book.LinkedFiles() };
        var reading = LinkReader.Read(typed, site);
        return TypedResults.Ok(new LinkLook(reading.Link?.Written, reading.Repair, reading.Error));
    }

    private static IResult Listen(Events events, Person person, HttpContext context, CancellationToken stop) =>
        events.Join($"{context.Connection.RemoteIpAddress} {person.Now}") is { } listener
            ? TypedResults.ServerSentEvents(Sent(listener, stop))
            : Problems.Of(429, $"At most {Events.MostOfAPerson} windows are told of changes at once: this one asks now and then instead.");

    private static async IAsyncEnumerable<System.Net.ServerSentEvents.SseItem<string>> Sent(
        Listener listener, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken stop)
    {
        using (listener)
        {
            yield return new("hello", "hello");
            await foreach (var sent in listener.AllAsync(stop)) yield return new(sent.Data, sent.Name);
        }
    }
}
