using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Documents;
using Dekoro.Core.Links;
using Dekoro.Server.Work;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson.Exceptions;

namespace Dekoro.Server.Http;

/// <param name="Version">To go on from with what was sent.</param>
/// <param name="Joined">Where another's changes were kept meanwhile: the page with both, to go on from instead.</param>
public sealed record DraftKept(long Version, string State, DateTimeOffset ChangedAt, Draft? Joined);

/// <summary>A page both sides changed, joined in the two ways in which it can be.</summary>
public sealed record JoinedDrafts(IReadOnlyList<Clash> Clashes, DraftChange WithYours, DraftChange WithTheirs);

/// <summary>Drafts are kept whole or by what changed, and never over another's.</summary>
internal static class DraftEndpoints
{
    /// <summary>More changes than a person makes at once are sent whole.</summary>
    private const int MostOperations = 2000, MostTries = 5;

    public static void MapDrafts(this IEndpointRouteBuilder api)
    {
        api.MapPut("/pages/{id}/draft", PutDraft).WithSummary("Keeps a draft. Where If-Match is stale, changes to other pieces are joined; to the same ones, 409 with both.")
            .Takes(Bodies.MostDraft);
        api.MapPatch("/pages/{id}/draft", PatchDraft).WithSummary("The same by a JSON Patch (RFC 6902) of what was last sent; 412 where that is no longer known: send the whole.")
            .Accepts<JsonPatchDocument<JsonObject>>("application/json-patch+json").Takes(Bodies.MostDraft);
    }

    private static Results<Ok<DraftKept>, ProblemHttpResult> PutDraft(string id, DraftChange change, Keeping keeping, HttpRequest request, HttpResponse response) =>
        keeping.Keep(id, change, request, response);

    private static async Task<Results<Ok<DraftKept>, ProblemHttpResult>> PatchDraft(string id, Workspace workspace, Keeping keeping, HttpRequest request, HttpResponse response, CancellationToken stop)
    {
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version || workspace.Sent.Find(id, version) is not { } sent)
            return Problems.Of(412, "What this change starts from is no longer known: send the whole page.");
        try
        {
            if (await JsonNode.ParseAsync(request.Body, cancellationToken: stop) is not JsonArray operations) return Unreadable();
            if (operations.Count > MostOperations) return Problems.Of(413, $"A change holds at most {MostOperations} operations: send the whole page.");
            // Copies of copies would grow without end.
            if (operations.Any(o => (string?)o?["op"] == "copy")) return Problems.Of(400, "A change is told without copying: send the whole page.");
            var patch = operations.Deserialize<JsonPatchDocument<JsonObject>>(JsonSerializerOptions.Web);
            var body = JsonNode.Parse(sent)!.AsObject();
            patch!.ApplyTo(body);
            return keeping.Keep(id, body.Deserialize<DraftChange>(JsonSerializerOptions.Web)!, request, response);
        }
        catch (Exception e) when (e is JsonException or JsonPatchException or InvalidOperationException)
        {
            return Unreadable();
        }
    }

    private static ProblemHttpResult Unreadable() => Problems.Of(400, "This change could not be read: send the whole page.");

    internal sealed class Keeping(Workspace workspace, PlanBook book, Events events, BackgroundWork background, Person person, TimeProvider clock)
    {
        public Results<Ok<DraftKept>, ProblemHttpResult> Keep(string id, DraftChange change, HttpRequest request, HttpResponse response)
        {
            if (workspace.Pages.Find(id) is not { } page) return Problems.NoPage();
            if (Problems.VersionOf(request.Headers.IfMatch) is not { } version)
                return Problems.Of(428, "Say with If-Match which version of the draft this started from.");
            if (PageMaking.TitleError(change.Title) is { } error) return Problems.Of(400, error, "title");
            var reading = DocumentReader.Read(change.Document);
            if (reading.Document is null) return Problems.NotADocument(reading.Errors);
            var yours = new PageText(change.Title.Trim(), change.Path ?? page.Path, (change.Summary ?? page.Summary).Trim(), reading.Document);
            var sent = Json.Write(change with { Path = yours.Path, Summary = yours.Summary });
            if (yours.Path != page.Path && version == page.Version && PathError(yours.Path, page, workspace) is { } pathError) return Problems.Of(400, pathError, "path");
            if (Save(yours, version, sent)) return Kept(version + 1, null);
            for (var i = 0; i < MostTries; i++)
            {
                page = workspace.Pages.Find(id)!;
                if (workspace.Sent.Find(id, version) is not { } basis || TextOf(basis) is not { } began) return Stale(null);
                var merge = PageMerge.Of(began, new(page.Title, page.Path, page.Summary, book.DocumentOf(page)), yours);
                if (merge.Clashes.Length > 0) return Stale(new(merge.Clashes, ChangeOf(merge.WithYours), ChangeOf(merge.WithTheirs)));
                if (merge.WithYours.Path != page.Path && PathError(merge.WithYours.Path, page, workspace) is { } taken) return Problems.Of(400, taken, "path");
                // Twice: what was sent is a version of its own, from which its sender may go on.
                if (Save(merge.WithYours, page.Version, sent) && Save(merge.WithYours, page.Version + 1, null)) return Kept(page.Version + 1, workspace.Pages.Find(id));
            }
            return Stale(null);

            bool Save(PageText text, long from, string? asSent) => workspace.Pages.SaveDraft(
                id, from, text.Title, text.Path, text.Summary, DocumentWriter.Write(text.Document).ToJsonString(), person.Now, clock.GetUtcNow(), sent: asSent) is not null;

            Ok<DraftKept> Kept(long goesOnFrom, PageRow? joined)
            {
                var now = workspace.Pages.Find(id)!;
                response.Headers.ETag = Problems.ETagOf(goesOnFrom);
                events.Send("page", new { id, version = now.Version });
                background.Prepare();
                return TypedResults.Ok(new DraftKept(goesOnFrom, book.StateOf(now), now.ChangedAt, joined is null ? null : DraftOf(joined, workspace, book)));
            }

            ProblemHttpResult Stale(JoinedDrafts? joined) => Problems.Of(409,
                joined is null
                    ? "This page was changed in another window since you opened it: yours is still here, and nothing was overwritten. Choose which to go on with."
                    : "Both of you changed the same piece: yours is still here, and nothing was overwritten. Choose which to go on with.",
                null, ("now", DraftOf(workspace.Pages.Find(id)!, workspace, book)), ("yours", change), ("joined", joined));
        }

        private static PageText? TextOf(string sent)
        {
            var body = Json.Read<DraftChange>(sent);
            return DocumentReader.Read(body.Document).Document is { } document ? new(body.Title.Trim(), body.Path ?? "", body.Summary ?? "", document) : null;
        }

        private static DraftChange ChangeOf(PageText text) => new(text.Title, text.Path, text.Summary, DocumentWriter.Write(text.Document).Deserialize<JsonElement>());
    }

    internal static Draft DraftOf(PageRow page, Workspace workspace, PlanBook book) => new(page.Id, page.Kind, page.Title, page.Path, page.Summary, book.StateOf(page), page.Version,
        page.ChangedAt, DocumentWriter.Write(book.DocumentOf(page)), [.. workspace.Pages.OldAddresses().Where(a => a.PageId == page.Id).Select(a => a.Path)]);

    private static string? PathError(string path, PageRow page, Workspace workspace) =>
        page.Path.Length == 0 ? "The front page's address is the site's own and stays as it is."
        : !Slug.IsPath(path) ? "An address holds small letters, digits and hyphens, with slashes between parts, as in news/lantern-night."
        : path.Split('/')[0] is "media" or "assets" ? "Addresses that begin with media or assets are kept for files: choose another."
        : !workspace.Pages.PathIsFree(path, page.Id) ? "Another page has this address already: choose another."
        : null;
}
