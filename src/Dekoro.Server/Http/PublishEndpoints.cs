using System.Collections.Concurrent;
using Dekoro.Core.Dates;
using Dekoro.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Http;

/// <param name="State">running, done or failed.</param>
public sealed record Job(string Id, string State, PublishProgress Progress, Published? Result);

/// <param name="OtherFiles">Addresses at which a file that is no picture comes, changes or goes.</param>
/// <param name="Changes">Of pages and of other files.</param>
/// <param name="Ahead">Days on which the public site becomes another by itself, in words.</param>
public sealed record PublishPreview(IReadOnlyList<PageChange> Pages, IReadOnlyList<string> OtherFiles, int Changes, IReadOnlyList<string> Ahead, string AheadNote);

internal static class PublishEndpoints
{
    private static readonly ConcurrentDictionary<string, Job> Jobs = new();

    public static void MapPublish(this IEndpointRouteBuilder api)
    {
        api.MapGet("/publish", Preview).WithSummary("What publishing would change on the public site.");
        api.MapPost("/publish", Publish).WithSummary("Publishes. Waits for the end unless Prefer: respond-async (RFC 7240) is sent, which gets 202 and a job.");
        api.MapGet("/ladders", Ladders).WithSummary("Which widths are made of each picture and cut, and how close they come; against=320,640 compares another list.");
        api.MapGet("/jobs/{id}", GetJob).WithSummary("How far a job has come.");
    }

    private static PublishPreview Preview(Publisher publisher)
    {
        var (pages, others) = publisher.Changes();
        return new(pages, others, pages.Count(p => p.Change != "same") + others.Count, [.. publisher.ChangesAhead().Select(RunDates.Named)], Publisher.AheadNote);
    }

    private static Results<Ok<IReadOnlyList<LadderLook>>, ProblemHttpResult> Ladders(Looking looking, string? against = null)
    {
        var widths = (against ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries).Select(w => int.TryParse(w, out var px) ? px : 0).ToList();
        return widths.Any(w => w is < 1 or > 20_000)
            ? Problems.Of(400, "Widths are whole numbers from 1 to 20000 with commas between.", "against")
            : TypedResults.Ok(looking.Ladders(widths));
    }

    private static async Task<Results<Ok<Job>, Accepted<Job>, ProblemHttpResult>> Publish(
        Publisher publisher, Workspace workspace, Events events, IHostApplicationLifetime life, HttpRequest request)
    {
        if (workspace.Pages.All().All(p => !p.IsOn)) return Problems.Of(409, "There is no page to publish yet: make one, or switch one on.");
        var job = new Job(Guid.NewGuid().ToString("N"), "running", new(0, 1, "Looking at what has changed."), null);
        Report(job);
        var work = RunAsync(job, publisher, Report, life.ApplicationStopping);
        if (request.Headers["Prefer"].Any(p => p?.Contains("respond-async", StringComparison.OrdinalIgnoreCase) ?? false))
            return TypedResults.Accepted($"/api/jobs/{job.Id}", job);
        var ended = await work;
        return ended.State == "done" ? TypedResults.Ok(ended) : Problems.Of(500, ended.Progress.Sentence);

        void Report(Job now)
        {
            Jobs[now.Id] = now;
            events.Send("job", now);
        }
    }

    private static async Task<Job> RunAsync(Job job, Publisher publisher, Action<Job> report, CancellationToken stop)
    {
        try
        {
            var result = await publisher.PublishAsync(new Reporter(p => report(job with { Progress = p })), stop);
            var pages = result.Pages == 1 ? "1 page is" : $"{result.Pages} pages are";
            job = job with { State = "done", Progress = new(1, 1, $"{pages} on the public site now. New files of pictures: {result.PicturesMade}.{(result.NextChange is { } next ? $" It becomes another by itself on {next}." : "")}"), Result = result };
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            job = job with { State = "failed", Progress = new(0, 1, $"The public site could not be written and is as it was: {e.Message} Mend that, then publish again.") };
        }
        catch (OperationCanceledException)
        {
            job = job with { State = "failed", Progress = new(0, 1, "Publishing was stopped and the public site is as it was: publish again.") };
        }
        catch (Dekoro.Imaging.RefusedFileException)
        {
            job = job with { State = "failed", Progress = new(0, 1, "A picture could not be made into its files and the public site is as it was: publish again, or choose another picture.") };
        }
        report(job);
        return job;
    }

    private static Results<Ok<Job>, ProblemHttpResult> GetJob(string id) =>
        Jobs.TryGetValue(id, out var job) ? TypedResults.Ok(job) : Problems.Of(404, "This job is not known any more: look at the page's state instead.");

    /// <summary>Unlike <see cref="Progress{T}"/>, in order and at once.</summary>
    private sealed class Reporter(Action<PublishProgress> report) : IProgress<PublishProgress>
    {
        public void Report(PublishProgress value) => report(value);
    }
}
