using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Documents;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;
using Dekoro.Core.Widths;
using Dekoro.Server.Work;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Http;

/// <param name="State">off, draft, changed or published.</param>
/// <param name="Pictures">Ids of the pictures on it, in order.</param>
public sealed record PageItem(
    string Id, string Kind, string Title, string Path, string Summary, string State, bool IsOn, DateTimeOffset ChangedAt, DateTimeOffset? PublishedAt,
    IReadOnlyList<string> Pictures, int Notices);

public sealed record NewPage(string Kind, string Title);

public sealed record PageSwitch(bool IsOn);

public sealed record PageOrder(IReadOnlyList<string> Ids);

/// <summary>A page as it is being written.</summary>
/// <param name="Document">In the editor's JSON.</param>
/// <param name="OldPaths">Addresses it had on the public site before, which lead on to it.</param>
public sealed record Draft(
    string Id, string Kind, string Title, string Path, string Summary, string State, long Version, DateTimeOffset ChangedAt, JsonNode Document, IReadOnlyList<string> OldPaths);

/// <param name="Html">As the public page will have it, laid out to be read.</param>
public sealed record Markup(string Html);

/// <param name="Path">Null leaves the address as it is.</param>
public sealed record DraftChange(string Title, string? Path, string? Summary, JsonElement Document);

public sealed record DraftKept(long Version, string State, DateTimeOffset ChangedAt);

internal static class PageEndpoints
{
    public static void MapPages(this IEndpointRouteBuilder api)
    {
        api.MapGet("/pages", List).WithSummary("Pages, then posts, in the order of the menu.");
        api.MapPost("/pages", Add).WithSummary("A new page or post with a title.");
        api.MapPatch("/pages/{id}", Switch).WithSummary("Switches a page on or off; nothing is deleted.");
        api.MapPost("/pages/order", Order).WithSummary("Sets the order of the menu.");
        api.MapGet("/pages/{id}/draft", GetDraft).WithSummary("The draft, with its version as ETag.");
        api.MapPut("/pages/{id}/draft", PutDraft).WithSummary("Keeps a draft; a stale If-Match gets 409 with what is there now.");
        api.MapPost("/pages/{id}/look", LookAt).WithSummary("How a draft would look and fit, without keeping it.");
        api.MapPost("/pages/{id}/markup/{block}", MarkupOf).WithSummary("The markup of one piece of a draft, as the public page will have it.");
        api.MapDelete("/pages/{id}/old-addresses", ForgetOldPath).WithSummary("An address that the page had before leads on to it no longer.");
        api.MapGet("/pages/{id}/forecast", ForecastOf).WithSummary("Which file of each picture a browser takes on a device, and how wide it stands there.");
    }

    private static IReadOnlyList<PageItem> List(Workspace workspace, PlanBook book)
    {
        var facts = book.Facts();
        return [.. workspace.Pages.All().Select(p => new PageItem(p.Id, p.Kind, p.Title, p.Path, p.Summary, book.StateOf(p), p.IsOn, p.ChangedAt, p.PublishedAt,
            [.. book.DocumentOf(p).Figures.SelectMany(f => f.Assets).Where(facts.Pictures.ContainsKey)],
            PagePlanner.Plan(book.SourceOf(p), p.IsOn ? facts : book.Facts(book.SourceOf(p))).Notices.Length))];
    }

    private static Results<Created<Draft>, ProblemHttpResult> Add(NewPage page, PageMaking making, Workspace workspace, PlanBook book)
    {
        if (page.Kind is not ("page" or "post")) return Problems.Of(400, "Say whether it is a page or a post.", "kind");
        if (PageMaking.TitleError(page.Title) is { } error) return Problems.Of(400, error, "title");
        var made = making.Add(page.Kind, page.Title, Document.Empty);
        return TypedResults.Created($"/api/pages/{made.Id}/draft", DraftOf(made, workspace, book));
    }

    private static Results<NoContent, ProblemHttpResult> Switch(string id, PageSwitch change, Workspace workspace, Events events, BackgroundWork background)
    {
        if (workspace.Pages.Find(id) is not { } page) return Problems.NoPage();
        if (page.Path.Length == 0 && !change.IsOn) return Problems.Of(409, "The front page stays on: visitors who type the site's address would meet nothing.");
        workspace.Pages.Switch(id, change.IsOn);
        events.Send("pages", new { id });
        background.Prepare();
        return TypedResults.NoContent();
    }

    private static NoContent Order(PageOrder order, Workspace workspace, Events events)
    {
        workspace.Pages.Reorder(order.Ids);
        events.Send("pages", new { });
        return TypedResults.NoContent();
    }

    private static Results<Ok<Draft>, ProblemHttpResult> GetDraft(string id, Workspace workspace, PlanBook book, HttpResponse response)
    {
        if (workspace.Pages.Find(id) is not { } page) return Problems.NoPage();
        response.Headers.ETag = Problems.ETagOf(page.Version);
        return TypedResults.Ok(DraftOf(page, workspace, book));
    }

    private static Results<Ok<DraftKept>, ProblemHttpResult> PutDraft(
        string id, DraftChange change, Workspace workspace, PlanBook book, Events events, BackgroundWork background, Person person, TimeProvider clock,
        HttpRequest request, HttpResponse response)
    {
        if (workspace.Pages.Find(id) is not { } page) return Problems.NoPage();
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version)
            return Problems.Of(428, "Say with If-Match which version of the draft this started from.");
        if (PageMaking.TitleError(change.Title) is { } error) return Problems.Of(400, error, "title");
        var path = change.Path ?? page.Path;
        if (path != page.Path && PathError(path, page, workspace) is { } pathError) return Problems.Of(400, pathError, "path");
        var reading = DocumentReader.Read(change.Document);
        if (reading.Document is null) return Problems.NotADocument(reading.Errors);
        var kept = workspace.Pages.SaveDraft(id, version, change.Title.Trim(), path, (change.Summary ?? page.Summary).Trim(),
            DocumentWriter.Write(reading.Document).ToJsonString(), person.Now, clock.GetUtcNow());
        var now = workspace.Pages.Find(id)!;
        if (kept is null)
            return Problems.Of(409, "This page was changed in another window since you opened it: yours is still here, and nothing was overwritten. Choose which to go on with.",
                null, ("now", DraftOf(now, workspace, book)), ("yours", change));
        response.Headers.ETag = Problems.ETagOf(now.Version);
        events.Send("page", new { id, version = now.Version });
        background.Prepare();
        return TypedResults.Ok(new DraftKept(now.Version, book.StateOf(now), now.ChangedAt));
    }

    private static async Task<Results<Ok<Look>, ProblemHttpResult>> LookAt(string id, DraftChange change, Workspace workspace, PlanBook book, Looking looking)
    {
        if (workspace.Pages.Find(id) is not { } page) return Problems.NoPage();
        var reading = DocumentReader.Read(change.Document);
        if (reading.Document is null) return Problems.NotADocument(reading.Errors);
        return TypedResults.Ok(await looking.AtAsync(new PageSource(id, change.Title, page.Path, change.Summary ?? "", reading.Document)));
    }

    private static Results<Ok<IReadOnlyList<FileTaken>>, ProblemHttpResult> ForecastOf(
        string id, double viewportPx, double pixelRatio, Workspace workspace, PlanBook book, Looking looking)
    {
        if (workspace.Pages.Find(id) is not { } page) return Problems.NoPage();
        if (viewportPx is not (>= 1 and <= 20_000) || pixelRatio is not (>= 0.25 and <= 10))
            return Problems.Of(400, "A device has a viewport of 1 to 20000 px and a pixel ratio of 0.25 to 10.", "viewportPx");
        return TypedResults.Ok(looking.On(book.SourceOf(page), viewportPx, pixelRatio));
    }

    private static async Task<Results<Ok<Markup>, ProblemHttpResult>> MarkupOf(string id, string block, DraftChange change, Workspace workspace, Looking looking)
    {
        if (workspace.Pages.Find(id) is not { } page) return Problems.NoPage();
        var reading = DocumentReader.Read(change.Document);
        if (reading.Document is null) return Problems.NotADocument(reading.Errors);
        return await looking.MarkupAsync(new PageSource(id, change.Title, page.Path, change.Summary ?? "", reading.Document), block) is { } html
            ? TypedResults.Ok(new Markup(html))
            : Problems.Of(404, "This piece is not on the page as it is written now: choose it again.", "block");
    }

    private static Results<NoContent, ProblemHttpResult> ForgetOldPath(string id, string path, Workspace workspace) =>
        workspace.Pages.ForgetAddress(path, id) ? TypedResults.NoContent() : Problems.Of(404, "No page had this address before.", "path");

    private static Draft DraftOf(PageRow page, Workspace workspace, PlanBook book) => new(page.Id, page.Kind, page.Title, page.Path, page.Summary, book.StateOf(page), page.Version,
        page.ChangedAt, DocumentWriter.Write(book.DocumentOf(page)), [.. workspace.Pages.OldAddresses().Where(a => a.PageId == page.Id).Select(a => a.Path)]);

    private static string? PathError(string path, PageRow page, Workspace workspace) =>
        page.Path.Length == 0 ? "The front page's address is the site's own and stays as it is."
        : !Slug.IsPath(path) ? "An address holds small letters, digits and hyphens, with slashes between parts, as in news/lantern-night."
        : path.Split('/')[0] is "media" or "assets" ? "Addresses that begin with media or assets are kept for files: choose another."
        : !workspace.Pages.PathIsFree(path, page.Id) ? "Another page has this address already: choose another."
        : null;
}
