using System.Globalization;
using System.Security.Cryptography;
using System.Text.Json;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Library;
using Dekoro.Core.Planning;
using Dekoro.Core.Widths;
using Dekoro.Publishing;
using Dekoro.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Http;

/// <param name="Pictures">The first few that visitors see.</param>
/// <param name="Count">How many it holds.</param>
public sealed record ArrangementItemInList(string Id, string Name, ArrangementKind Kind, int Count, IReadOnlyList<string> Pictures, IReadOnlyList<PageTitle> UsedIn, DateTimeOffset ChangedAt);

public sealed record ArrangementList(IReadOnlyList<ArrangementItemInList> Arrangements);

public sealed record PageTitle(string Id, string Title);

/// <param name="Timing">Of a slider or carousel on desktops.</param>
/// <param name="Uneven">Ids of items whose shape stands out among the others, where the cells are not of one shape.</param>
/// <param name="Words">Of each picture, as the library has them; one that is missing is no longer there.</param>
/// <param name="ItemWords">What is read out and shown with each item.</param>
/// <param name="LargerBytes">About how much a picture weighs in the larger view, by the size of its file.</param>
/// <param name="OverSlides">How readable words over slides are; null where none have words.</param>
public sealed record ArrangementLook(string Id, long Version, ArrangementValues Values, IReadOnlyDictionary<string, Words> Words, IReadOnlyDictionary<string, ItemWords> ItemWords, IReadOnlyList<PageTitle> UsedIn, IReadOnlyList<string> Uneven, Timing? Timing, WordsOverLook? OverSlides, ItemOrders Orders, IReadOnlyDictionary<string, long> LargerBytes, IReadOnlyDictionary<string, ItemFit> Fits);

/// <summary>How a picture of an arrangement fits where that is as wide as pages are.</summary>
/// <param name="Worst">On any class of screen.</param>
/// <param name="Loss">What its cut takes from the keep area, in words; empty for nothing.</param>
public sealed record ItemFit(FitWord Worst, PerClass<FitLook?> Fits, Remedy? Remedy, string Loss);

/// <summary>Ids of items as they stand sorted: by title, by the day they were taken or came in, and from the widest to the narrowest.</summary>
public sealed record ItemOrders(IReadOnlyList<string> Name, IReadOnlyList<string> Date, IReadOnlyList<string> Shape);

/// <param name="Contrast">Of the worst on each class of screen; null where words stand below.</param>
/// <param name="Below">Where the words of a slide find no room on it.</param>
/// <param name="Mend">What makes all readable; null where they are, or nothing does.</param>
public sealed record WordsOverLook(PerClass<Contrast?> Contrast, PerClass<bool> Below, GroundMendLook? Mend);

/// <param name="Pictures">In their order.</param>
public sealed record NewArrangement(string Name, IReadOnlyList<string> Pictures);

/// <summary>Sets of pictures, made once and shown on any number of pages.</summary>
internal static class ArrangementEndpoints
{
    private const int ShownInList = 8;

    public static void MapArrangements(this IEndpointRouteBuilder api)
    {
        api.MapGet("/arrangements", List).WithSummary("All arrangements, the one changed last first.");
        api.MapPost("/arrangements", Make).WithSummary("Makes a gallery of some pictures, right without touching anything.");
        api.MapGet("/arrangements/{id}", Find).WithSummary("An arrangement, and where it is used.");
        api.MapPut("/arrangements/{id}", Change).WithSummary("Changes an arrangement on all pages that show it; a stale If-Match is answered with 409 and how it is now.");
        api.MapGet("/arrangements/{id}/out", Out).WithSummary("The arrangement taken out: as JSON with the words of its pictures, or as HTML of figures, to be read in elsewhere.");
        api.MapDelete("/arrangements/{id}", Remove).WithSummary("Takes away an arrangement that no page shows; its pictures stay in the library.");
    }

    /// <summary>The arrangement as it stands on a page of its own, for the stage.</summary>
    internal static async Task<IResult> Stage(string id, int? sheet, PlanBook book, Looking looking)
    {
        if (book.ArrangementOf(id) is not { } set) return Results.NotFound();
        var page = StagePage(set);
        return Results.Text(await looking.PageAsync(Sheets.At(book.Whole(page), page.Document.Blocks[0].Id, sheet ?? 1), Looking.ForDesk), "text/html");
    }

    private static PageSource StagePage(Arrangement set) => new("stage-" + set.Id, set.Name, "stage", "", new Document([new ArrangementBlock("stage", set.Id, SizeRole.Wide) { Arrangement = set }]));

    private static Ok<ArrangementList> List(Workspace workspace, PlanBook book)
    {
        var used = book.PagesByArrangement();
        return TypedResults.Ok(new ArrangementList([.. workspace.Arrangements.All().Select(row => (row, Set: book.ArrangementOf(row.Id)!)).Select(a => new ArrangementItemInList(
            a.row.Id, a.Set.Name, a.Set.Kind, a.Set.Items.Length, [.. a.Set.Shown.Select(i => i.AssetId).Where(asset => workspace.Assets.Find(asset) is not null).Take(ShownInList)],
            [.. used[a.row.Id].Select(p => new PageTitle(p.Id, p.Title))], a.row.ChangedAt))]));
    }

    private static Results<Ok<ArrangementLook>, ProblemHttpResult> Make(NewArrangement made, Workspace workspace, PlanBook book, Events events, TimeProvider clock)
    {
        var values = new ArrangementValues(made.Name, GalleryValues.Of(Gallery.Usual), [.. made.Pictures.Select(p => new ItemValues("", p))]);
        var id = RandomNumberGenerator.GetHexString(10, lowercase: true);
        var reading = values.Check(id);
        if (reading.Arrangement is not { } set) return Problems.Of(400, reading.Sentence!, reading.Field);
        workspace.Arrangements.Add(id, ArrangementValues.Of(set).Write(), clock.GetUtcNow());
        events.Send("arrangement", new { id, version = 1 });
        return TypedResults.Ok(LookOf(id, workspace, book)!);
    }

    private static Results<Ok<ArrangementLook>, ProblemHttpResult> Find(string id, Workspace workspace, PlanBook book) =>
        LookOf(id, workspace, book) is { } look ? TypedResults.Ok(look) : NoArrangement();

    private static Results<Ok<ArrangementLook>, ProblemHttpResult> Change(string id, ArrangementValues values, Workspace workspace, PlanBook book, Events events, BackgroundWork background, HttpRequest request, TimeProvider clock)
    {
        if (workspace.Arrangements.Find(id) is null) return NoArrangement();
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version) return Problems.Of(428, "Say with If-Match which version of the arrangement this started from.");
        var reading = values.Check(id);
        if (reading.Arrangement is not { } set) return Problems.Of(400, reading.Sentence!, reading.Field);
        if (!workspace.Arrangements.Save(id, version, ArrangementValues.Of(set).Write(), clock.GetUtcNow()))
            return Problems.Of(409, "This arrangement was changed in another window since you opened it: yours is still here, and nothing was overwritten.", null, ("now", LookOf(id, workspace, book)));
        events.Send("arrangement", new { id, version = version + 1 });
        background.Prepare();
        return TypedResults.Ok(LookOf(id, workspace, book)!);
    }

    private static async Task<IResult> Out(string id, string format, Workspace workspace, PlanBook book, Looking looking, HttpRequest request)
    {
        if (book.ArrangementOf(id) is not { } set) return NoArrangement();
        if (format == "html")
        {
            // Its files are made for a page that is public.
            if (!book.PagesByArrangement()[id].Any(p => p.Published is not null)) return Problems.Of(409, "As HTML it shows the public site's files: put it on a page and publish that first.");
            var page = new PageSource("out-" + id, set.Name, "out", "", new Document([new ArrangementBlock("set", id, SizeRole.Wide)]));
            return await looking.MarkupAsync(page, "set", $"{request.Scheme}://{request.Host}/live/") is { } html ? Results.Text(html, "text/html") : Problems.Of(409, "There is nothing to take out: add pictures first.");
        }
        if (format == "snippet")
        {
            if (!set.IsShownElsewhere) return Problems.Of(409, "It has no page of its own yet: switch on that it is shown elsewhere, and publish.");
            var shown = Elsewhere.PageOf(set);
            return Snippet.Of(PagePlanner.Plan(shown, book.Facts(shown)), $"{request.Scheme}://{request.Host}/live/{shown.Path}/") is { } snippet ? Results.Text(snippet, "text/plain") : Problems.Of(409, "There is nothing to show: add pictures first.");
        }
        if (format != "json") return Problems.Of(400, "An arrangement is taken out as html, json or snippet.", "format");
        var facts = workspace.Assets.FindMany([.. set.Shown.Select(i => i.AssetId)]).ToDictionary(a => a.Id, a => a.Facts);
        return Results.Json(new
        {
            set.Name,
            Pictures = set.Shown.Where(i => facts.ContainsKey(i.AssetId)).Select(i => (Item: i, Picture: facts[i.AssetId])).Select(p => new
            {
                File = $"{request.Scheme}://{request.Host}/media/original/{p.Picture.Id}",
                p.Picture.Size.Width,
                p.Picture.Size.Height,
                p.Picture.Words.Title,
                Alt = PagePlanner.AltOf(p.Item.Alt, p.Picture),
                Caption = PagePlanner.CaptionOf(set.CaptionOf(p.Item), p.Picture),
            }),
        });
    }

    private static Results<NoContent, ProblemHttpResult> Remove(string id, Workspace workspace, PlanBook book, Events events)
    {
        var pages = book.PagesByArrangement()[id].Select(p => p.Title).ToList();
        if (pages.Count > 0) return Problems.Of(409, $"This arrangement stands on {string.Join(", ", pages)}: take it out there first.");
        if (!workspace.Arrangements.Remove(id)) return NoArrangement();
        events.Send("arrangement", new { id, version = 0 });
        return TypedResults.NoContent();
    }

    private static ProblemHttpResult NoArrangement() => Problems.Of(404, "This arrangement is no longer there: go back to the list of arrangements.");

    private static ArrangementLook? LookOf(string id, Workspace workspace, PlanBook book)
    {
        if (workspace.Arrangements.Find(id) is not { } row || book.ArrangementOf(id) is not { } set) return null;
        var assets = workspace.Assets.FindMany([.. set.Items.Select(i => i.AssetId).Distinct()]).ToDictionary(a => a.Id);
        var facts = assets.ToDictionary(a => a.Key, a => a.Value.Facts);
        var plans = PlansOf(set, book);
        return new(id, row.Version, ArrangementValues.Of(set), facts.ToDictionary(f => f.Key, f => f.Value.Words),
            set.Items.Where(i => facts.ContainsKey(i.AssetId)).ToDictionary(i => i.Id, i => ItemWords.Of(set, i, facts[i.AssetId])), [.. book.PagesByArrangement()[id].Select(p => new PageTitle(p.Id, p.Title))],
            set.Uneven(asset => facts.GetValueOrDefault(asset)?.Size.Shape.Value),
            Timing.Of(set, item => facts.TryGetValue(item.AssetId, out var picture) ? PagePlanner.CaptionOf(set.CaptionOf(item), picture) : ""), OverSlidesOf(plans),
            new(By(i => facts.GetValueOrDefault(i.AssetId)?.Words.Title, StringComparer.OrdinalIgnoreCase), By(i => assets.GetValueOrDefault(i.AssetId) is { } a ? a.TakenOn ?? a.AddedAt.ToString("o", CultureInfo.InvariantCulture) : null, StringComparer.Ordinal), By(i => -facts.GetValueOrDefault(i.AssetId)?.Size.Shape.Value, null)),
            facts.Count == 0 ? [] : Enum.GetValues<LargerSize>().ToDictionary(size => JsonNamingPolicy.CamelCase.ConvertName(size.ToString()), size => (long)facts.Values.Average(f => PagePlanner.LargeBytesOf(f, size))),
            FitsOf(set, plans));

        IReadOnlyList<string> By<T>(Func<ArrangementItem, T> of, IComparer<T>? comparer) => [.. set.Items.OrderBy(of, comparer).Select(i => i.Id)];
    }

    /// <summary>The arrangement on a page of its own, all its parts.</summary>
    private static List<PagePlan> PlansOf(Arrangement set, PlanBook book)
    {
        var page = StagePage(set);
        var facts = book.Facts(page);
        return [.. Sheets.Of(page).Select(sheet => PagePlanner.Plan(sheet, facts))];
    }

    private static WordsOverLook? OverSlidesOf(List<PagePlan> plans)
    {
        var slides = plans.SelectMany(p => p.Grounds.Values).ToList();
        if (slides.Count == 0 || plans.SelectMany(p => p.Sets.Values).FirstOrDefault() is not { } stage) return null;
        return new(new PerClass<int>().Select((c, _) => slides.Select(s => s.On[c].Contrast).OfType<Contrast>().OrderBy(contrast => contrast.Ratio / contrast.Needed).Select(contrast => (Contrast?)contrast).FirstOrDefault()),
            stage.WordsBelow, GroundPlan.MendOf(slides, plans[0].Layout) is { } mend ? new(mend.Words, mend.Tint.ToString(), mend.Strength) : null);
    }

    private static Dictionary<string, ItemFit> FitsOf(Arrangement set, List<PagePlan> plans)
    {
        var block = new ArrangementBlock("stage", set.Id, SizeRole.Wide);
        var figures = plans.SelectMany(p => p.Figures.Values).DistinctBy(f => f.Block.Id).ToDictionary(f => f.Block.Id);
        return set.Shown.Where(i => figures.ContainsKey(block.FigureIdOf(i))).Select(i => (Item: i, Figure: figures[block.FigureIdOf(i)])).ToDictionary(f => f.Item.Id, f => new ItemFit(
            WidthClasses.All.Select(c => f.Figure.Fits[c]).OfType<Fit>().Select(fit => fit.Word).DefaultIfEmpty(FitWord.Sharp).Max(),
            f.Figure.Fits.Select((c, fit) => Looking.FitOf(fit, f.Figure.On(c) is { IsUnchanged: true } cut ? cut.Picture.FileBytes : null)), Remedy.For(f.Figure, plans[0].Layout), f.Figure.Usual.Loss.InWords()));
    }
}
