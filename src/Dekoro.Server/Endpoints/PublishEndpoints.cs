using Dekoro.Application.Drafts;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Calendar;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <param name="OtherFiles">Addresses at which a file that is no picture comes, changes or goes.</param>
/// <param name="Round">Sentences about what changes round pages that are the same otherwise.</param>
/// <param name="Pages">Those that change, the first of them where they are very many.</param>
/// <param name="Changes">Of pages, of other files and round pages.</param>
/// <param name="MorePages">So many more change than are named.</param>
/// <param name="Ahead">Days on which the public site becomes another by itself, in words.</param>
/// <param name="Damage">What was found wrong with the public site on the disk, in a sentence; empty for
/// nothing.</param>
public sealed record PublishPreview(
    IReadOnlyList<PageChange> Pages,
    IReadOnlyList<string> OtherFiles,
    IReadOnlyList<string> Round,
    int Changes,
    int MorePages,
    IReadOnlyList<string> Ahead,
    string AheadNote,
    string Damage
);

internal static class PublishEndpoints
{
    public static void MapPublish(this IEndpointRouteBuilder api)
    {
        api.MapGet("/publish", Preview).WithSummary("What publishing would change on the public site.");
        api.MapPost("/publish", Publish)
            .WithSummary(
                "Publishes. Waits for the end unless Prefer: respond-async (RFC 7240) is sent, which gets 202 "
                    + "and a job."
            );
        api.MapGet("/ladders", Ladders)
            .WithSummary(
                "Which widths are made of each picture and cut, and how close they come; against=320,640 "
                    + "compares another list."
            );
        api.MapGet("/jobs/{id}", GetJob).WithSummary("How far a job has come.");
        api.MapDelete("/jobs/{id}", StopJob)
            .WithSummary("Stops a publishing that runs; the public site stays as it is, and what was made is kept.");
    }

    private static PublishPreview Preview(SiteChanges changes, LiveSite live)
    {
        var (pages, all, others) = changes.Of();
        var round = changes.Round();
        return new(
            pages,
            others,
            round,
            all + others.Count + round.Count,
            all - pages.Count,
            [.. changes.Ahead().Select(RunDates.Named)],
            SiteChanges.AheadNote,
            live.Damage
        );
    }

    private static Results<Ok<IReadOnlyList<LadderResponse>>, ProblemHttpResult> Ladders(
        DraftPreview preview,
        string? against = null
    )
    {
        var widths = (against ?? "")
            .Split(',', StringSplitOptions.RemoveEmptyEntries)
            .Select(w => int.TryParse(w, out var px) ? px : 0)
            .ToList();
        return widths.Any(w => w is < 1 or > 20_000)
            ? Problems.Of(400, "Widths are whole numbers from 1 to 20000 with commas between.", "against")
            : TypedResults.Ok(preview.Ladders(widths));
    }

    private static async Task<Results<Ok<Job>, Accepted<Job>, ProblemHttpResult>> Publish(
        PublishJobs jobs,
        PlanningContext planning,
        HttpRequest request
    )
    {
        if (planning.AllPages.All(p => !p.IsOn))
            return Problems.Of(409, "There is no page to publish yet: make one, or switch one on.");
        var (job, work) = jobs.Begin();
        if (
            request
                .Headers["Prefer"]
                .Any(p => p?.Contains("respond-async", StringComparison.OrdinalIgnoreCase) ?? false)
        )
            return TypedResults.Accepted($"/api/jobs/{job.Id}", job);
        var ended = await work;
        return ended.State == "done" ? TypedResults.Ok(ended) : Problems.Of(500, ended.Progress.Sentence);
    }

    private static Results<NoContent, ProblemHttpResult> StopJob(string id, PublishJobs jobs) =>
        jobs.Stop(id)
            ? TypedResults.NoContent()
            : Problems.Of(409, "This publishing has ended already: look at the public site.");

    private static Results<Ok<Job>, ProblemHttpResult> GetJob(string id, PublishJobs jobs) =>
        jobs.Find(id) is { } job
            ? TypedResults.Ok(job)
            : Problems.Of(404, "This job is not known any more: look at the page's state instead.");
}
