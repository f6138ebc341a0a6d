using Dekoro.Application.Hosting;
using Dekoro.Imaging;

namespace Dekoro.Application.Pictures;

/// <summary>Tells the colours of pictures that came in before colours were told, once, in quiet.</summary>
public sealed class TellingColours(Workspace workspace, PixelQueue pixels, ILogger<TellingColours> log)
    : BackgroundService
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
                await TellAsync(stoppingToken);
                return;
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "Colours could not be told; it is tried again in {Wait}.", Backoff);
                await Task.Delay(Backoff, stoppingToken).ContinueWith(_ => { }, TaskScheduler.Default);
            }
            catch (OperationCanceledException)
            {
                return;
            }
        }
    }

    private async Task TellAsync(CancellationToken stop)
    {
        foreach (var asset in workspace.Assets.Colourless())
        {
            try
            {
                var colours = await pixels.RunAsync(
                    PixelWork.Ladder,
                    token => Measure.ColoursOf(workspace.PathOf(asset), asset.Facts.Format, asset.OriginalSize, token),
                    stop
                );
                workspace.Assets.TellColours(asset.Id, colours);
            }
            catch (Exception e) when (e is RefusedFileException or IOException)
            {
                log.LogWarning(
                    e,
                    "The colours of {Name} could not be told; it is found by everything else.",
                    asset.Facts.FileName
                );
                workspace.Assets.TellColours(asset.Id, []);
            }
        }
    }
}
