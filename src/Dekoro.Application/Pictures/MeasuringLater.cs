using Dekoro.Application.Hosting;
using Dekoro.Core.Geometry;
using Dekoro.Core.Twins;
using Dekoro.Imaging;
using Dekoro.Storage;

namespace Dekoro.Application.Pictures;

/// <summary>
/// Measures, while nobody waits, what an earlier version did not know of the pictures that are there already.
/// </summary>
public sealed class MeasuringLater(
    Workspace workspace,
    TwinFinder twins,
    PixelQueue pixels,
    ILogger<MeasuringLater> log
) : BackgroundService
{
    private static readonly TimeSpan Backoff = TimeSpan.FromMinutes(1);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Yield();
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await TellAsync(
                    workspace.Assets.Colourless(),
                    (a, stop) => Measure.ColoursOf(workspace.PathOf(a), a.Facts.Format, a.OriginalSize, stop),
                    [],
                    (a, colours) => workspace.Assets.TellColours(a.Id, colours),
                    stoppingToken
                );
                await TellAsync(
                    workspace.Assets.Unmeasured(),
                    (a, stop) => Measure.EdgePxOf(workspace.PathOf(a), a.Facts.Format, a.OriginalSize, a.Edits, stop),
                    0,
                    (a, px) => workspace.Assets.TellEdges(a.Id, a.Facts.Edition, px),
                    stoppingToken
                );
                await TellAsync<Look?>(
                    workspace.Assets.Untold(),
                    (a, stop) => Measure.LookOf(workspace.PathOf(a), a.Facts.Format, a.OriginalSize, stop),
                    null,
                    (a, look) => twins.Tell(a.Id, look),
                    stoppingToken
                );
                await TellAsync<(FocalRegion? Keep, bool IsRead)>(
                    workspace.Assets.GuessedBefore(),
                    (a, stop) => (KeepOf(a, stop), true),
                    (null, false),
                    // What cannot be read keeps the guess that it has.
                    (a, told) =>
                        workspace.Assets.TellKeep(a.Id, a.Facts.Edition, told.IsRead ? told.Keep : a.Facts.Keep),
                    stoppingToken
                );
                return;
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "Pictures could not be measured; it is tried again in {Wait}.", Backoff);
                await Task.Delay(Backoff, stoppingToken).ContinueWith(_ => { }, TaskScheduler.Default);
            }
            catch (OperationCanceledException)
            {
                return;
            }
        }
    }

    private FocalRegion? KeepOf(Asset a, CancellationToken stop) =>
        Measure.KeepGuessOf(workspace.PathOf(a), a.Facts.Format, a.OriginalSize, a.Edits, stop);

    /// <param name="unknown">Told of a picture that cannot be read any more.</param>
    private async Task TellAsync<T>(
        IReadOnlyList<Asset> pictures,
        Func<Asset, CancellationToken, T> measure,
        T unknown,
        Action<Asset, T> tell,
        CancellationToken stop
    )
    {
        foreach (var asset in pictures)
        {
            var told = unknown;
            try
            {
                told = await pixels.RunAsync(PixelWork.Ladder, token => measure(asset, token), stop);
            }
            catch (Exception e) when (e is RefusedFileException or IOException)
            {
                log.LogWarning(e, "{Name} could not be measured.", asset.Facts.FileName);
            }
            tell(asset, told);
        }
    }
}
