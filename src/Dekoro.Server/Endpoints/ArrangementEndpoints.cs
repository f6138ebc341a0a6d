using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Publication;
using Dekoro.Publishing;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Sets of pictures, made once and shown on any number of pages.</summary>
internal static class ArrangementEndpoints
{
    private const int ShownInList = 8;

    public static void MapArrangements(this IEndpointRouteBuilder api)
    {
        api.MapGet("/arrangements", List).WithSummary("All arrangements, the one changed last first.");
        api.MapPost("/arrangements", Make)
            .WithSummary("Makes a gallery of some pictures, right without touching anything.");
        api.MapGet("/arrangements/{id}", Find).WithSummary("An arrangement, and where it is used.");
        api.MapPut("/arrangements/{id}", Change)
            .WithSummary(
                "Changes an arrangement on all pages that show it; a stale If-Match is answered with 409 and "
                    + "how it is now."
            )
            .Takes(Bodies.MaxDraft);
        api.MapGet("/arrangements/{id}/out", Out)
            .WithSummary(
                "The arrangement taken out: as JSON with the words of its pictures, or as HTML of figures, to "
                    + "be read in elsewhere."
            );
        api.MapDelete("/arrangements/{id}", Remove)
            .WithSummary(
                "Takes away an arrangement that no page shows; it waits, and its pictures stay in the library."
            );
        api.MapPost("/arrangements/{id}/back", PutBack).WithSummary("Puts an arrangement back that was taken away.");
    }

    /// <summary>The arrangement as it stands on a page of its own, for the stage.</summary>
    /// <param name="state">Null for how it is now.</param>
    internal static async Task<IResult> Stage(
        string id,
        int? sheet,
        long? state,
        Workspace workspace,
        PlanningContext planning,
        StagePlans stage,
        DraftPreview preview,
        HttpResponse response
    )
    {
        MediaEndpoints.AsProof(response);
        if (state is null)
        {
            if (planning.ArrangementOf(id) is not { } now)
                return Results.NotFound();
            var plans = stage.Of(now);
            return Results.Text(
                await preview.PageAsync(plans[Math.Clamp(sheet ?? 1, 1, plans.Count) - 1], DraftPreview.ForDesk),
                "text/html"
            );
        }
        if (
            workspace.Arrangements.States.Find(id, state.Value) is not { } then
            || planning.AsItStood(id, then.Content) is not { } set
        )
            return Results.NotFound();
        var page = stage.PageOf(set);
        return Results.Text(
            await preview.PageAsync(
                GalleryPages.At(page, page.Document.Blocks[0].Id, sheet ?? 1),
                DraftPreview.ForDesk
            ),
            "text/html"
        );
    }

    private static Ok<ArrangementList> List(Workspace workspace, PlanningContext planning)
    {
        var used = planning.Used.Sets;
        return TypedResults.Ok(
            new ArrangementList([
                .. workspace
                    .Arrangements.All()
                    .Select(row => (row, Set: planning.ArrangementOf(row.Id)!))
                    .Select(a => new ArrangementItemInList(
                        a.row.Id,
                        a.Set.Name,
                        a.Set.Kind,
                        a.Set.Items.Length,
                        [
                            .. a
                                .Set.Shown.Select(i => i.AssetId)
                                .Where(asset => workspace.Assets.Find(asset) is not null)
                                .Take(ShownInList),
                        ],
                        [.. used[a.row.Id].Select(p => new PageTitle(p.Id, p.Title))],
                        a.row.ChangedAt
                    )),
            ])
        );
    }

    private static Results<Ok<ArrangementResponse>, ProblemHttpResult> Make(
        NewArrangement made,
        ArrangementChanges changes,
        ArrangementPreview preview
    ) => changes.Make(made.Name, made.Pictures).Answer(preview.There);

    private static Results<Ok<ArrangementResponse>, ProblemHttpResult> Find(string id, ArrangementPreview preview) =>
        preview.Of(id) is { } found ? TypedResults.Ok(found) : Problems.NoArrangement();

    private static Results<Ok<ArrangementResponse>, ProblemHttpResult> Change(
        string id,
        ArrangementValues values,
        ArrangementChanges changes,
        ArrangementPreview preview,
        HttpRequest request
    ) =>
        Problems.VersionOf(request.Headers.IfMatch) is { } version
            ? changes.Change(id, version, values).Answer(preview.There, values)
            : Problems.Of(428, "Say with If-Match which version of the arrangement this started from.");

    private static async Task<IResult> Out(
        string id,
        string format,
        Workspace workspace,
        PlanningContext planning,
        DraftPreview preview,
        HttpRequest request
    )
    {
        if (planning.ArrangementOf(id) is not { } set)
            return Problems.NoArrangement();
        var site = $"{request.Scheme}://{request.Host}";
        return format switch
        {
            "html" => await OutAsHtml(set, planning, preview, site),
            "snippet" => OutAsSnippet(set, planning, site),
            "json" => OutAsJson(set, workspace, site),
            _ => Problems.Of(400, "An arrangement is taken out as html, json or snippet.", "format"),
        };
    }

    private static async Task<IResult> OutAsHtml(
        Arrangement set,
        PlanningContext planning,
        DraftPreview preview,
        string site
    )
    {
        // Its files are made for a page that is public.
        if (!planning.Used.Sets[set.Id].Any(p => p.Published is not null))
            return Problems.Of(
                409,
                "As HTML it shows the public site's files: put it on a page and publish that first."
            );
        var alone = new Document([new ArrangementBlock("set", set.Id, SizeRole.Wide)]);
        var page = planning.PageOf("out-" + set.Id, new(set.Name, "out", "", alone));
        var root = $"{site}/live/";
        return await preview.MarkupAsync(page, "set", root) is { } html
            ? Results.Text(Readable.Alone(html, set.Name, planning.Frame().Language, root), "text/html")
            : Problems.Of(409, "There is nothing to take out: add pictures first.");
    }

    private static IResult OutAsSnippet(Arrangement set, PlanningContext planning, string site)
    {
        if (!set.IsShownElsewhere)
            return Problems.Of(
                409,
                "It has no page of its own yet: switch on that it is shown elsewhere, and publish."
            );
        var shown = SnippetPage.PageOf(set);
        return Snippet.Of(PagePlanner.Plan(shown, planning.Facts(shown)), $"{site}/live/{shown.Path}/") is { } snippet
            ? Results.Text(snippet, "text/plain")
            : Problems.Of(409, "There is nothing to show: add pictures first.");
    }

    private static IResult OutAsJson(Arrangement set, Workspace workspace, string site)
    {
        var facts = workspace
            .Assets.FindMany([.. set.Shown.Select(i => i.AssetId)])
            .ToDictionary(a => a.Id, a => a.Facts);
        return Results.Json(
            new
            {
                set.Name,
                Pictures = set
                    .Shown.Where(i => facts.ContainsKey(i.AssetId))
                    .Select(i => (Item: i, Values: ItemValues.Of(i), Picture: facts[i.AssetId]))
                    .Select(p => new
                    {
                        File = $"{site}/media/original/{p.Picture.Id}",
                        p.Picture.Size.Width,
                        p.Picture.Size.Height,
                        p.Picture.Metadata.Title,
                        Alt = FigurePlanner.AltOf(p.Item.Alt, p.Picture),
                        Caption = Placed.CaptionOf(set.CaptionOf(p.Item), p.Picture),
                        p.Picture.Metadata.Credit,
                        p.Values.LinkKind,
                        p.Values.LinkTarget,
                        TitleOver = p.Values.Title,
                        WordsOver = p.Values.Text,
                        p.Values.Button,
                        p.Values.ButtonLink,
                        p.Values.StayMs,
                        p.Values.From,
                        p.Values.Until,
                        p.Values.Yearly,
                    }),
            }
        );
    }

    private static Results<NoContent, ProblemHttpResult> Remove(string id, ArrangementChanges changes) =>
        changes.TakeAway(id).Answer();

    private static Results<NoContent, ProblemHttpResult> PutBack(string id, ArrangementChanges changes) =>
        changes.PutBack(id).Answer();
}
