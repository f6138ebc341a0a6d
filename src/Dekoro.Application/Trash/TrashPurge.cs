using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Publication;

namespace Dekoro.Application.Trash;

/// <summary>
/// Removes for good, once a day, what was taken away long enough ago, and what was set apart and what nothing asks for
/// any more.
/// </summary>
public sealed class TrashPurge(
    Workspace workspace,
    PlanningContext planning,
    RenditionMaker maker,
    LiveSite live,
    Publisher publisher,
    TimeProvider clock,
    ILogger<TrashPurge> log
) : BackgroundService
{
    /// <summary>For how long a picture that was taken away can be put back.</summary>
    public const int WaitDays = 30;

    /// <summary>Name of the setting that holds on which days this was done.</summary>
    private const string Days = "days-of-leaving";

    private static readonly TimeSpan MaxBackoff = TimeSpan.FromHours(1);

    /// <returns>How many pictures and other files went.</returns>
    public int RemoveWhatHasWaited()
    {
        if (!IsClockSteady())
            return 0;
        var before = clock.GetUtcNow().AddDays(-WaitDays);
        var used = planning.Used.Places.Select(p => p.Key).ToList();
        var files = workspace.Assets.RemoveAwaySince(before, used);
        var linked = planning.Used.Files.Select(l => l.Key).ToHashSet();
        var downloads = workspace.Downloads.RemoveAwaySince(before, linked);
        foreach (var hash in files.Concat(downloads))
            workspace.Files.Forget(hash, () => workspace.Assets.IsKept(hash));
        workspace.Pages.RemoveAwaySince(before);
        workspace.Arrangements.RemoveAwaySince(before);
        workspace.Banners.RemoveAwaySince(before);
        var apart = workspace.Quarantine.All().Where(f => f.Since < before).ToList();
        foreach (var file in apart)
            workspace.Quarantine.Remove(file);
        return files.Count + downloads.Count + apart.Count;
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Yield();
        try
        {
            var isFirst = true;
            for (var failures = 0; ; )
            {
                try
                {
                    RemoveWhatHasWaited();
                    maker.Collect(live.MediaNames);
                    // It reads every file of the public site: not while a person waits for the program to begin.
                    if (!isFirst && live.Verify(isThorough: true).Count > 0)
                        await publisher.MendAsync(stoppingToken);
                    await publisher.SweepAsync(stoppingToken);
                    failures = 0;
                    await Task.Delay(isFirst ? TimeSpan.FromHours(1) : TimeSpan.FromDays(1), clock, stoppingToken);
                    isFirst = false;
                }
                catch (Exception e) when (e is not OperationCanceledException)
                {
                    // A locked or full database, a disk that does not answer: tried again later, and never the end of
                    // the host.
                    var wait = TimeSpan.FromSeconds(Math.Min(MaxBackoff.TotalSeconds, 10 * Math.Pow(2, failures++)));
                    log.LogWarning(e, "The daily work could not be done; it is tried again in {Wait}.", wait);
                    await Task.Delay(wait, clock, stoppingToken);
                }
            }
        }
        catch (OperationCanceledException)
        {
            // The server stops.
        }
    }

    /// <summary>
    /// A clock that has leapt says nothing of how long a thing has waited: then nothing goes until it has run on
    /// evenly.
    /// </summary>
    private bool IsClockSteady()
    {
        var today = DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);
        var steady = false;
        workspace.Settings.Change(Days, was =>
        {
            var days = WaitingDays.Of(was.Json is { } json ? Json.Read<List<DateOnly>>(json) : []).With(today);
            steady = days.AreSteady;
            return Json.Write(days.Days);
        });
        return steady;
    }
}
