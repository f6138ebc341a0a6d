using Dekoro.Application.Changes;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

internal static class PageEndpoints
{
    /// <summary>The most pages told at a time.</summary>
    private const int MaxTaken = 120;

    public static void MapPages(this IEndpointRouteBuilder api)
    {
        api.MapGet("/pages", List)
            .WithSummary("Pages, then posts, in the order of the menu; so many at a time, of one kind or both.");
        api.MapGet("/pages/outline", Outline)
            .WithSummary(
                "All pages, then posts, with no more than names them: for lists to be laid out and chosen from."
            );
        api.MapPost("/pages", Add).WithSummary("A new page or post with a title.");
        api.MapPatch("/pages/{id}", Switch)
            .WithSummary("Switches a page on or off, nothing is deleted; or sets the date of a post.");
        api.MapDelete("/pages/{id}", TakeAway)
            .WithSummary("Takes a page away; it waits, and goes from the public site with the next publishing.");
        api.MapPost("/pages/{id}/back", PutBack).WithSummary("Puts a page back that was taken away.");
        api.MapPost("/pages/{id}/copy", Copy).WithSummary("Another page with all that is on this one.");
        api.MapGet("/pages/away", Away).WithSummary("Pages that are taken away and wait, the last one first.");
        api.MapPost("/pages/order", Order).WithSummary("Sets the order of the menu.");
        api.MapPost("/pages/newest-first", NewestFirst).WithSummary("Puts posts in the order of their days.");
        api.MapGet("/pages/{id}/draft", GetDraft).WithSummary("The draft, with its version as ETag.");
        api.MapPost("/pages/{id}/look", LookAt)
            .WithSummary(
                "How a draft would look and fit, without keeping it; with ?after, the mark of the look "
                    + "before, only what changed."
            )
            .Takes(Bodies.MaxDraft);
        api.MapPost("/pages/{id}/markup/{block}", MarkupOf)
            .WithSummary("The markup of one piece of a draft, as the public page will have it.")
            .Takes(Bodies.MaxDraft);
        api.MapDelete("/pages/{id}/old-addresses", ForgetOldPath)
            .WithSummary("An address that the page had before leads on to it no longer.");
        api.MapGet("/pages/{id}/rehearsal", Rehearse)
            .WithSummary("What of a page comes when on a line: slow, fair or good.");
        api.MapGet("/pages/{id}/forecast", ForecastOf)
            .WithSummary("Which file of each picture a browser takes on a device, and how wide it stands there.");
    }

    private static Results<Ok<IReadOnlyList<PageItem>>, ProblemHttpResult> List(
        PlanningContext planning,
        string? kind = null,
        int skip = 0,
        int take = MaxTaken
    )
    {
        if (skip < 0 || take is < 1 or > MaxTaken)
            return Problems.Of(400, $"Pages are asked for from 0 on, 1 to {MaxTaken} at a time.", "take");
        var site = planning.Site;
        return TypedResults.Ok<IReadOnlyList<PageItem>>([
            .. site
                .Pages.Where(p => kind is null || p.Row!.Kind == kind)
                .Skip(skip)
                .Take(take)
                .Select(p => ItemOf(p, planning, site)),
        ]);
    }

    private static PageItem ItemOf(KnownPage page, PlanningContext planning, KnownSite site) =>
        new(
            page.Row!.Id,
            page.Row.Kind,
            page.Row.Title,
            page.Row.Path,
            page.Row.Summary,
            planning.StateOf(page),
            page.Row.IsOn,
            page.Row.Dated,
            page.Row.ChangedAt,
            page.Row.PublishedAt,
            [.. page.PicturesShown],
            planning.Digests.Of(page, site).Notices.Value.DistinctBy(n => (n.BlockId, n.Sentence)).Count()
        );

    private static IReadOnlyList<PageName> Outline(PlanningContext planning) =>
        [.. planning.AllPages.Select(p => new PageName(p.Id, p.Kind, p.Title, p.Path, p.IsOn))];

    private static Results<Created<Draft>, ProblemHttpResult> Add(
        NewPage page,
        PageMaking making,
        Workspace workspace,
        PlanningContext planning
    )
    {
        var result = making.Make(page.Kind, page.Title);
        return result is ChangeResult<PageRow>.Done { Now: var made }
            ? TypedResults.Created($"/api/pages/{made.Id}/draft", DraftEndpoints.DraftOf(made, workspace, planning))
            : result.Failure();
    }

    private static Results<NoContent, ProblemHttpResult> Switch(string id, PageSwitch change, PageChanges changes)
    {
        var dated = change.Date is { } date ? changes.Date(id, date) : null;
        return dated is not (null or ChangeResult<PageRow>.Done) || change.IsOn is null
            ? (dated ?? new ChangeResult<PageRow>.Refused("isOn", "Say what is to be set.")).Answer()
            : changes.Switch(id, change.IsOn.Value).Answer();
    }

    private static Results<NoContent, ProblemHttpResult> TakeAway(string id, PageChanges changes) =>
        changes.TakeAway(id).Answer();

    private static Results<NoContent, ProblemHttpResult> PutBack(string id, PageChanges changes) =>
        changes.PutBack(id).Answer();

    private static Results<Ok<PageTitle>, ProblemHttpResult> Copy(string id, PageMaking making) =>
        making.Copy(id).Answer(page => new PageTitle(page.Id, page.Title));

    private static IReadOnlyList<PageTitle> Away(Workspace workspace) =>
        [.. workspace.Pages.Away().Select(page => new PageTitle(page.Id, page.Title))];

    private static NoContent Order(PageOrder order, PageChanges changes)
    {
        changes.Reorder(order.Ids);
        return TypedResults.NoContent();
    }

    private static NoContent NewestFirst(PageChanges changes)
    {
        changes.NewestFirst();
        return TypedResults.NoContent();
    }

    private static Results<Ok<Draft>, ProblemHttpResult> GetDraft(
        string id,
        Workspace workspace,
        PlanningContext planning,
        HttpResponse response
    )
    {
        if (workspace.Pages.Find(id) is not { } page)
            return Problems.NoPage();
        response.Headers.ETag = Problems.ETagOf(page.Version);
        return TypedResults.Ok(DraftEndpoints.DraftOf(page, workspace, planning));
    }

    private static async Task<Results<Ok<DraftPreviewResponse>, ProblemHttpResult>> LookAt(
        string id,
        DraftChange change,
        Workspace workspace,
        PlanningContext planning,
        DraftPreview preview,
        string? after = null
    )
    {
        if (workspace.Pages.Find(id) is not { } page)
            return Problems.NoPage();
        var reading = DocumentReader.Read(change.Document);
        if (reading.Document is null)
            return Problems.NotADocument(reading.Errors);
        return TypedResults.Ok(
            await preview.AtAsync(
                planning.PageOf(page, new PageText(change.Title, page.Path, change.Summary ?? "", reading.Document)),
                after
            )
        );
    }

    private static Results<Ok<IReadOnlyList<FileTaken>>, ProblemHttpResult> ForecastOf(
        string id,
        double viewportPx,
        double pixelRatio,
        Workspace workspace,
        PlanningContext planning,
        DraftPreview preview
    )
    {
        if (workspace.Pages.Find(id) is not { } page)
            return Problems.NoPage();
        if (viewportPx is not (>= 1 and <= 20_000) || pixelRatio is not (>= 0.25 and <= 10))
            return Problems.Of(
                400,
                "A device has a viewport of 1 to 20000 px and a pixel ratio of 0.25 to 10.",
                "viewportPx"
            );
        return TypedResults.Ok(preview.On(planning.PageOf(page), viewportPx, pixelRatio));
    }

    private static async Task<Results<Ok<PerClass<LoadTimeline>>, ProblemHttpResult>> Rehearse(
        string id,
        string line,
        Workspace workspace,
        PlanningContext planning,
        DraftPreview preview
    )
    {
        if (workspace.Pages.Find(id) is not { } page)
            return Problems.NoPage();
        return VisitorLine.Offered.FirstOrDefault(l => l.Name == line) is { } offered
            ? TypedResults.Ok(await preview.RehearseAsync(planning.PageOf(page), offered))
            : Problems.Of(400, $"A line is {string.Join(", ", VisitorLine.Offered.Select(l => l.Name))}.", "line");
    }

    private static async Task<Results<Ok<Markup>, ProblemHttpResult>> MarkupOf(
        string id,
        string block,
        DraftChange change,
        Workspace workspace,
        PlanningContext planning,
        DraftPreview preview
    )
    {
        if (workspace.Pages.Find(id) is not { } page)
            return Problems.NoPage();
        var reading = DocumentReader.Read(change.Document);
        if (reading.Document is null)
            return Problems.NotADocument(reading.Errors);
        return
            await preview.MarkupAsync(
                planning.PageOf(page, new PageText(change.Title, page.Path, change.Summary ?? "", reading.Document)),
                block
            )
                is { } html
            ? TypedResults.Ok(new Markup(html))
            : Problems.Of(404, "This piece is not on the page as it is written now: choose it again.", "block");
    }

    private static Results<NoContent, ProblemHttpResult> ForgetOldPath(string id, string path, Workspace workspace) =>
        workspace.Pages.ForgetAddress(path, id)
            ? TypedResults.NoContent()
            : Problems.Of(404, "No page had this address before.", "path");
}
