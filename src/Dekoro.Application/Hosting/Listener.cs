using System.Threading.Channels;

namespace Dekoro.Application.Hosting;

/// <summary>One open tool.</summary>
public sealed class Listener(string who, Action leave) : IDisposable
{
    private readonly Channel<ServerEvent> _channel = Channel.CreateBounded<ServerEvent>(
        new BoundedChannelOptions(256) { FullMode = BoundedChannelFullMode.DropOldest }
    );

    /// <summary>Whose window listens.</summary>
    public string Who => who;

    /// <summary>What is told from now on, in order.</summary>
    public IAsyncEnumerable<ServerEvent> AllAsync(CancellationToken stop) => _channel.Reader.ReadAllAsync(stop);

    /// <inheritdoc/>
    public void Dispose() => leave();

    internal void Tell(ServerEvent sent) => _channel.Writer.TryWrite(sent);

    internal void End() => _channel.Writer.TryComplete();
}
