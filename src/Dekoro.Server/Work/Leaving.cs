namespace Dekoro.Server.Work;

/// <summary>Removes for good, once a day, what was taken away long enough ago.</summary>
public sealed class Leaving(Workspace workspace, PlanBook book, TimeProvider clock) : BackgroundService
{
    /// <summary>For how long a picture that was taken away can be put back.</summary>
    public const int WaitDays = 30;

    /// <returns>How many pictures and other files went.</returns>
    public int RemoveWhatHasWaited()
    {
        var used = book.PlacesByPicture().Select(p => p.Key).ToList();
        var files = workspace.Assets.RemoveAwaySince(clock.GetUtcNow().AddDays(-WaitDays), used);
        foreach (var hash in files.Where(h => workspace.Assets.FindByHash(h) is null)) workspace.Files.Forget(hash);
        var linked = book.LinksByDownload().Select(l => l.Key).ToHashSet();
        var downloads = workspace.Downloads.RemoveAwaySince(clock.GetUtcNow().AddDays(-WaitDays), linked);
        foreach (var hash in downloads) workspace.Files.Forget(hash);
        return files.Count + downloads.Count;
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var daily = new PeriodicTimer(TimeSpan.FromDays(1), clock);
        try
        {
            do RemoveWhatHasWaited();
            while (await daily.WaitForNextTickAsync(stoppingToken));
        }
        catch (OperationCanceledException)
        {
            // The server stops.
        }
    }
}
