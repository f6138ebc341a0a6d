using System.Threading.Channels;

namespace Dekoro.Application.Publication;

/// <summary>
/// Makes the files that drafts ask for in quiet moments; asked again while it works, it goes round once more.
/// </summary>
public sealed class BackgroundWork(Publisher publisher, ILogger<BackgroundWork> log) : BackgroundService
{
    private readonly Channel<bool> _asked = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    private static readonly TimeSpan Backoff = TimeSpan.FromSeconds(30),
        MaxBackoff = TimeSpan.FromHours(1);

    /// <summary>After the drafts have changed.</summary>
    public void Prepare() => _asked.Writer.TryWrite(true);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var wait = Backoff;
        // What a program that was ended had not come to; and what is worked out now, nobody has to wait for later.
        Prepare();
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await _asked.Reader.ReadAsync(stoppingToken);
                // While someone types or drags, sizes change from second to second: wait until they rest.
                await Task.Delay(TimeSpan.FromSeconds(4), stoppingToken);
                await publisher.PrepareAsync(stoppingToken);
                await publisher.JoinAsync(stoppingToken);
                wait = Backoff;
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception e)
            {
                // Whatever it is, it must not end the process: a service that throws takes the host with it.
                log.LogWarning(
                    e,
                    "Files could not be made ahead; it is tried again in {Wait}, and publishing says why.",
                    wait
                );
                _ = Task.Delay(wait, stoppingToken)
                    .ContinueWith(
                        _ => Prepare(),
                        stoppingToken,
                        TaskContinuationOptions.OnlyOnRanToCompletion,
                        TaskScheduler.Default
                    );
                wait = wait < MaxBackoff ? 2 * wait : wait;
            }
        }
    }
}
