using System.Collections.Concurrent;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Storage;
using Microsoft.Data.Sqlite;

namespace Dekoro.Application.Publication;

/// <summary>
/// Publishing as work with a beginning and an end that are written down: a program that was killed says so when it is
/// back.
/// </summary>
public sealed class PublishJobs(
    Workspace workspace,
    Publisher publisher,
    BackgroundWork background,
    Events events,
    TimeProvider clock,
    IHostApplicationLifetime life,
    ILogger<PublishJobs> log
)
{
    private readonly ConcurrentDictionary<string, Job> _running = new();
    private readonly ConcurrentDictionary<string, CancellationTokenSource> _stops = new();

    /// <summary>
    /// Says that a publishing was gone on with once already: one that ends the program is not begun for ever.
    /// </summary>
    private const string GoingOn = "Going on after a restart.";

    /// <summary>Stops one that runs; the public site stays as it is.</summary>
    /// <returns>False for one that does not run.</returns>
    public bool Stop(string id)
    {
        if (!_stops.TryGetValue(id, out var stop))
            return false;
        stop.Cancel();
        return true;
    }

    /// <summary>
    /// Goes on, at the start, with the last publishing that was running when the program stopped: what it had made is
    /// there. Others, and one that was gone on with before, are ended truthfully.
    /// </summary>
    public void GoOnWithWhatWasRunning()
    {
        publisher.FinishWhatWentLive();
        var last = workspace.Jobs.Running().Select(Job.Of).LastOrDefault(job => job.Progress.Sentence != GoingOn);
        EndWhatWasRunning(except: last?.Id);
        if (last is null)
            return;
        var job = last with { Progress = new(0, 1, GoingOn) };
        _stops[job.Id] = new();
        Record(job);
        Tell(job);
        _ = Task.Run(() => RunAsync(job));
    }

    /// <summary>Ends truthfully, at the start, what was running when the program stopped.</summary>
    public void EndWhatWasRunning(string? except = null)
    {
        publisher.FinishWhatWentLive();
        foreach (var job in workspace.Jobs.Running().Where(j => j.Id != except))
            Record(
                Job.Failed(
                    job.Id,
                    "Dekoro was stopped while it published, and the public site is as it was: publish again."
                )
            );
    }

    /// <summary>A job that runs or ended lately; null for one that nobody knows any more.</summary>
    public Job? Find(string id) =>
        _running.TryGetValue(id, out var running) ? running
        : workspace.Jobs.Find(id) is { } job ? Job.Of(job)
        : null;

    /// <returns>The job as it begins, and its end.</returns>
    public (Job Job, Task<Job> Work) Begin()
    {
        var job = new Job(Guid.NewGuid().ToString("N"), "running", new(0, 1, "Looking at what has changed."), null);
        workspace.Jobs.Begin(job.Stored(clock.GetUtcNow()));
        _stops[job.Id] = new();
        Tell(job);
        return (job, Task.Run(() => RunAsync(job)));
    }

    private async Task<Job> RunAsync(Job job)
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(
            life.ApplicationStopping,
            _stops[job.Id].Token
        );
        try
        {
            var result = await publisher.PublishAsync(
                new Reporter(p => Tell(job with { Progress = p })),
                stop.Token,
                job.Id
            );
            if (result.Awaited > 0)
                background.Prepare();
            return Ended(Job.Done(job.Id, result));
        }
        catch (NotRecordedException e)
        {
            log.LogWarning(e, "The site is public; what went live is written down at the next publishing or start.");
            // It stays among what is running: what is kept of it says less than what is known.
            job = Job.Public(
                job.Id,
                "The site is public, but Dekoro could not write that down: publish again when there is room, "
                    + "and it does."
            );
            Tell(job);
            return job;
        }
        catch (OperationCanceledException) when (life.ApplicationStopping.IsCancellationRequested)
        {
            // The program ends: the next start goes on with it.
            return job;
        }
        catch (Exception e)
        {
            // Whatever it is: the job has an end, and a sentence for the person; the rest is for the log.
            if (e is not OperationCanceledException)
                log.LogWarning(e, "Publishing failed.");
            job = Job.Failed(job.Id, SentenceOf(e));
        }
        try
        {
            Record(job);
        }
        catch (Exception e) when (e is SqliteException or ObjectDisposedException)
        {
            log.LogWarning(e, "The end of a publishing could not be written down; it is told at the next start.");
        }
        return Ended(job);
    }

    private Job Ended(Job job)
    {
        _stops.TryRemove(job.Id, out _);
        _running.TryRemove(job.Id, out _);
        events.Send("job", job);
        return job;
    }

    private static string SentenceOf(Exception e) =>
        e switch
        {
            AggregateException { InnerException: { } inner } => SentenceOf(inner),
            OperationCanceledException => "Publishing was stopped and the public site is as it was: publish again.",
            NotMadeException { Title: var title } =>
                $"“{title}” could not be made into its files, and the public site is as it was: look at it in the "
                    + "library, add it again if it is damaged or missing, then publish again.",
            _ when DurableWrites.IsFull(e) =>
                "The disk is full and the public site is as it was: free some space, then publish again.",
            IOException or UnauthorizedAccessException =>
                "The files of the public site could not be written, and it is as it was: see whether its disk "
                    + "can be written to, then publish again.",
            _ => "Something went wrong that should not have, and the public site is as it was: publish again.",
        };

    private void Record(Job job)
    {
        var now = clock.GetUtcNow();
        workspace.Jobs.Change(job.Stored(now), now);
    }

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
