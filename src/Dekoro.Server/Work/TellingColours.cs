using Dekoro.Imaging;

namespace Dekoro.Server.Work;

/// <summary>Tells the colours of pictures that came in before colours were told, once, in quiet.</summary>
public sealed class TellingColours(Workspace workspace, ILogger<TellingColours> log) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Yield();
        foreach (var asset in workspace.Assets.Colourless())
        {
            if (stoppingToken.IsCancellationRequested) return;
            try
            {
                workspace.Assets.TellColours(asset.Id, Measure.ColoursOf(workspace.PathOf(asset), asset.Facts.Format, asset.OriginalSize, stoppingToken));
            }
            catch (Exception e) when (e is RefusedFileException or IOException)
            {
                log.LogWarning(e, "The colours of {Name} could not be told; it is found by everything else.", asset.Facts.FileName);
                workspace.Assets.TellColours(asset.Id, []);
            }
        }
    }
}
