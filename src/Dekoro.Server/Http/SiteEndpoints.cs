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
public sealed record LookOffer(string Id, string Name, LookValues Look, int Places);

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
/// <param name="Seen">Names the style as it is, for saying which one a change was made to.</param>
/// <param name="Pairs">Its colours over each other.</param>
/// <param name="NewPictures">How many pictures need files that are not made yet, and how many files those are.</param>
public sealed record StyleLook(StyleValues Values, string Seen, IReadOnlyList<ColourPair> Pairs, int NewPictures, int NewFiles);

/// <param name="Seen">The style that was changed; another one by now is not written over.</param>
public sealed record StyleChange(StyleValues Values, string Seen);

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
        api.MapGet("/events", (Events events, CancellationToken stop) => TypedResults.ServerSentEvents(Sent(events, stop))).ExcludeFromDescription();
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
        return new(StyleValues.Of(style), workspace.Style.Mark, StyleValues.PairsOf(style.Colours), pictures, files);
    }

    private static Results<Ok<StyleLook>, ProblemHttpResult> SetStyle(StyleChange change, Workspace workspace, Publisher publisher, Events events)
    {
        if (change.Seen != workspace.Style.Mark)
            return Problems.Of(409, "The site's style was changed in another window in the meantime: look at it as it is now, and change it again.");
        var reading = change.Values.Read(workspace.Style.Current);
        if (reading.Style is null)
            return Problems.Of(400, reading.Errors[0].Sentence, reading.Errors[0].Field, ("errors", reading.Errors));
        workspace.Style.Set(StoredStyle.Of(reading.Style));
        events.Send("site", new { workspace.Style.Mark });
        return TypedResults.Ok(StyleOf(workspace, publisher));
    }

    private static IReadOnlyList<LookOffer> LooksOf(Workspace workspace, PlanBook book)
    {
        var placed = book.PagesByArrangement();
        var sets = workspace.Arrangements.All().Where(row => !placed.Contains(row.Id)).Select(row => book.ArrangementOf(row.Id)).OfType<Arrangement>();
        var places = workspace.Pages.All().SelectMany(p => book.DocumentOf(p).Figures).Select(f => f.Look).Concat(sets.SelectMany(set => set.Shown.Select(_ => set.Look))).CountBy(look => look.NamedId ?? "").ToDictionary();
        return [.. workspace.Style.Current.Looks.Select(l => new LookOffer(l.Id, l.Name, LookValues.Of(l.Look), places.GetValueOrDefault(l.Id)))];
    }

    private static Results<Ok<IReadOnlyList<LookOffer>>, ProblemHttpResult> SetLook(string id, LookChange change, Workspace workspace, PlanBook book, Events events)
    {
        var set = NamedLook.Set(workspace.Style.Current.Looks, id, change.Name, change.Look);
        return set.Looks is { } looks ? Kept(looks, workspace, book, events) : Problems.Of(400, set.Sentence!, set.Field);
    }

    private static Results<Ok<IReadOnlyList<LookOffer>>, ProblemHttpResult> TakeOutLook(string id, Workspace workspace, PlanBook book, Events events)
    {
        if (LooksOf(workspace, book).FirstOrDefault(l => l.Id == id) is { Places: > 0 } used)
            return Problems.Of(409, $"{used.Name} stands on {used.Places} picture(s): give them another look first.");
        return Kept([.. workspace.Style.Current.Looks.Where(l => l.Id != id)], workspace, book, events);
    }

    private static Ok<IReadOnlyList<LookOffer>> Kept(ImmutableArray<NamedLook> looks, Workspace workspace, PlanBook book, Events events)
    {
        workspace.Style.Set(StoredStyle.Of(workspace.Style.Current with { Looks = looks }));
        events.Send("site", new { workspace.Style.Mark });
        return TypedResults.Ok(LooksOf(workspace, book));
    }

    private static Ok<LinkLook> ReadLink(string typed, Workspace workspace, PlanBook book, HttpRequest request)
    {
        var site = new SiteAddresses(workspace.Pages.All().ToDictionary(p => p.Id, p => p.Path), new HashSet<string> { request.Host.Value ?? "" }) { FileById = book.LinkedFiles() };
        var reading = LinkReader.Read(typed, site);
        return TypedResults.Ok(new LinkLook(reading.Link?.Written, reading.Repair, reading.Error));
    }

    private static async IAsyncEnumerable<System.Net.ServerSentEvents.SseItem<string>> Sent(
        Events events, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken stop)
    {
        yield return new("hello", "hello");
        await foreach (var sent in events.ListenAsync(stop)) yield return new(sent.Data, sent.Name);
    }
}
