using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Content;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson;
using Microsoft.AspNetCore.JsonPatch.SystemTextJson.Exceptions;

namespace Dekoro.Server.Endpoints;

/// <summary>Drafts are kept whole or by what changed, and never over another's.</summary>
internal static class DraftEndpoints
{
    /// <summary>More changes than a person makes at once are sent whole.</summary>
    private const int MaxOperations = 2000;

    public static void MapDrafts(this IEndpointRouteBuilder api)
    {
        api.MapPut("/pages/{id}/draft", PutDraft)
            .WithSummary(
                "Keeps a draft. Where If-Match is stale, changes to other pieces are joined; to the same "
                    + "ones, 409 with both."
            )
            .Takes(Bodies.MaxDraft);
        api.MapPatch("/pages/{id}/draft", PatchDraft)
            .WithSummary(
                "The same by a JSON Patch (RFC 6902) of what was last sent; 412 where that is no longer "
                    + "known: send the whole."
            )
            .Accepts<JsonPatchDocument<JsonObject>>("application/json-patch+json")
            .Takes(Bodies.MaxDraft);
    }

    private static Results<Ok<DraftKept>, ProblemHttpResult> PutDraft(
        string id,
        DraftChange change,
        [AsParameters] Keeping keeping,
        HttpContext http
    ) => Keep(id, change, keeping, http);

    private static async Task<Results<Ok<DraftKept>, ProblemHttpResult>> PatchDraft(
        string id,
        [AsParameters] Keeping keeping,
        HttpContext http,
        CancellationToken stop
    )
    {
        if (
            Problems.VersionOf(http.Request.Headers.IfMatch) is not { } version
            || keeping.Workspace.Sent.Find(id, version) is not { } sent
        )
            return Problems.Of(412, "What this change starts from is no longer known: send the whole page.");
        try
        {
            if (await JsonNode.ParseAsync(http.Request.Body, cancellationToken: stop) is not JsonArray operations)
                return Unreadable();
            if (operations.Count > MaxOperations)
                return Problems.Of(413, $"A change holds at most {MaxOperations} operations: send the whole page.");
            // Copies of copies would grow without end.
            if (operations.Any(o => (string?)o?["op"] == "copy"))
                return Problems.Of(400, "A change is told without copying: send the whole page.");
            var patch = operations.Deserialize<JsonPatchDocument<JsonObject>>(JsonSerializerOptions.Web);
            var body = JsonNode.Parse(sent)!.AsObject();
            patch!.ApplyTo(body);
            return Keep(id, body.Deserialize<DraftChange>(JsonSerializerOptions.Web)!, keeping, http);
        }
        catch (Exception e) when (e is JsonException or JsonPatchException or InvalidOperationException)
        {
            return Unreadable();
        }
    }

    private static ProblemHttpResult Unreadable() =>
        Problems.Of(400, "This change could not be read: send the whole page.");

    private static Results<Ok<DraftKept>, ProblemHttpResult> Keep(
        string id,
        DraftChange change,
        Keeping keeping,
        HttpContext http
    )
    {
        if (Problems.VersionOf(http.Request.Headers.IfMatch) is not { } version)
            return Problems.Of(428, "Say with If-Match which version of the draft this started from.");
        return keeping.Save.Keep(id, change, version) switch
        {
            DraftSaveResult.Kept kept => Kept(kept),
            DraftSaveResult.NoPage => Problems.NoPage(),
            DraftSaveResult.Refused refused => Problems.Of(400, refused.Sentence, refused.Field),
            DraftSaveResult.NotADocument unread => Problems.NotADocument(unread.Errors),
            DraftSaveResult.Stale stale => Problems.Of(
                409,
                stale.Joined is null
                    ? "This page was changed in another window since you opened it: yours is still here, "
                        + "and nothing was overwritten. Choose which to go on with."
                    : "Both of you changed the same piece: yours is still here, and nothing was "
                        + "overwritten. Choose which to go on with.",
                null,
                ("now", DraftOf(stale.Now, keeping.Workspace, keeping.Planning)),
                ("yours", change),
                ("joined", stale.Joined)
            ),
            var other => throw new InvalidOperationException($"{other.GetType().Name} has no answer."),
        };

        Ok<DraftKept> Kept(DraftSaveResult.Kept kept)
        {
            http.Response.Headers.ETag = Problems.ETagOf(kept.Version);
            return TypedResults.Ok(
                new DraftKept(
                    kept.Version,
                    keeping.Planning.StateOf(kept.Now),
                    kept.Now.ChangedAt,
                    kept.IsJoined ? DraftOf(kept.Now, keeping.Workspace, keeping.Planning) : null
                )
            );
        }
    }

    /// <summary>What both calls keep with.</summary>
    internal sealed record Keeping(DraftSave Save, Workspace Workspace, PlanningContext Planning);

    internal static Draft DraftOf(PageRow page, Workspace workspace, PlanningContext planning) =>
        new(
            page.Id,
            page.Kind,
            page.Title,
            page.Path,
            page.Summary,
            planning.StateOf(page),
            page.Version,
            page.ChangedAt,
            DocumentWriter.Write(planning.DocumentOf(page)),
            [.. workspace.Pages.OldAddresses().Where(a => a.PageId == page.Id).Select(a => a.Path)]
        );
}
