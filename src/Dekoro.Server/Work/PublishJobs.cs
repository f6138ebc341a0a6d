using System.Collections.Concurrent;
using Dekoro.Imaging;
using Dekoro.Storage;
using Microsoft.Data.Sqlite;

namespace Dekoro.Server.Work;

/// <param name="State">running, done or failed.</param>
public sealed record Job(string Id, string State, PublishProgress Progress, Published? Result);

/// <summary>Publishing as work with a beginning and an end that are written down: a program that was killed says so when it is back.</summary>
public sealed class PublishJobs(Workspace workspace, Publisher publisher, Events events, TimeProvider clock, IHostApplicationLifetime life, ILogger<PublishJobs> log)
{
    private readonly ConcurrentDictionary<string, Job> _running = new();

    /// <summary>Ends truthfully, at the start, what was running when the program stopped.</summary>
    public void EndWhatWasRunning()
    {
        var finished = publisher.FinishWhatWentLive();
        foreach (var job in workspace.Jobs.Running())
        {
            var isDone = job.Id == finished;
            Record(new(job.Id, isDone ? "done" : "failed", new(isDone ? 1 : 0, 1, isDone
                ? "The site is public. Dekoro was stopped in that very moment, and has written it down now."
                : "Dekoro was stopped while it published, and the public site is as it was: publish again."), null));
        }
    }

    public Job? Find(string id) => _running.TryGetValue(id, out var running) ? running
        : workspace.Jobs.Find(id) is { } job ? new(job.Id, job.State, Json.Read<PublishProgress>(job.Progress), job.Result is { } result ? Json.Read<Published>(result) : null) : null;

    /// <returns>The job as it begins, and its end.</returns>
    public (Job Job, Task<Job> Work) Begin()
    {
        var job = new Job(Guid.NewGuid().ToString("N"), "running", new(0, 1, "Looking at what has changed."), null);
        workspace.Jobs.Begin(new(job.Id, job.State, Json.Write(job.Progress), null, clock.GetUtcNow()));
        Tell(job);
        return (job, Task.Run(() => RunAsync(job)));
    }

    private async Task<Job> RunAsync(Job job)
    {
        try
        {
            var result = await publisher.PublishAsync(new Reporter(p => Tell(job with { Progress = p })), life.ApplicationStopping, job.Id);
            var pages = result.Pages == 1 ? "1 page is" : $"{result.Pages} pages are";
            var next = result.NextChange is { } day ? $" It becomes another by itself on {day}." : "";
            job = job with { State = "done", Progress = new(1, 1, $"{pages} on the public site now. New files of pictures: {result.PicturesMade}.{next}"), Result = result };
        }
        catch (Exception e)
        {
            // Whatever it is: the job has an end, and a sentence for the person; the rest is for the log.
            if (e is not OperationCanceledException) log.LogWarning(e, "Publishing failed.");
            job = job with { State = "failed", Progress = new(0, 1, SentenceOf(e)) };
        }
        try
        {
            Record(job);
        }
        catch (SqliteException e)
        {
            log.LogWarning(e, "The end of a publishing could not be written down; it is told at the next start.");
        }
        _running.TryRemove(job.Id, out _);
        events.Send("job", job);
        return job;
    }

    private static string SentenceOf(Exception e) => e switch
    {
        OperationCanceledException => "Publishing was stopped and the public site is as it was: publish again.",
        RefusedFileException => "A picture could not be made into its files and the public site is as it was: publish again, or choose another picture.",
        IOException io when DurableWrites.IsFull(io) => "The disk is full and the public site is as it was: free some space, then publish again.",
        SqliteException { SqliteErrorCode: 13 } => "The disk is full and the public site is as it was: free some space, then publish again.",
        IOException or UnauthorizedAccessException => "The files of the public site could not be written, and it is as it was: see whether its disk can be written to, then publish again.",
        _ => "Something went wrong that should not have, and the public site is as it was: publish again.",
    };

    private void Record(Job job) => workspace.Jobs.Change(job.Id, job.State, Json.Write(job.Progress), job.Result is null ? null : Json.Write(job.Result), clock.GetUtcNow());

    private void Tell(Job job)
    {
        _running[job.Id] = job;
        events.Send("job", job);
    }

    /// <summary>Unlike <see cref="Progress{T}"/>, in order and at once.</summary>
    private sealed class Reporter(Action<PublishProgress> report) : IProgress<PublishProgress>
    {
        public void Report(PublishProgress value) => report(value);
    }
}
