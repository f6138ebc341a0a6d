using System.Collections.Concurrent;
using System.Threading.Channels;

namespace Dekoro.Server.Work;

/// <param name="Name">Which kind: library, page, job.</param>
/// <param name="Data">As JSON.</param>
public sealed record ServerEvent(string Name, string Data);

/// <summary>Tells every open tool what has changed. A listener that does not keep up misses events, never holds up others.</summary>
public sealed class Events
{
    private readonly ConcurrentDictionary<Guid, Channel<ServerEvent>> _listeners = new();

    public void Send(string name, object data)
    {
        var sent = new ServerEvent(name, Json.Write(data));
        foreach (var listener in _listeners.Values) listener.Writer.TryWrite(sent);
    }

    /// <summary>Ends what listens, so that a program that stops waits for nobody.</summary>
    public void Close()
    {
        foreach (var listener in _listeners.Values) listener.Writer.TryComplete();
    }

    public async IAsyncEnumerable<ServerEvent> ListenAsync([System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken stop)
    {
        var (id, channel) = (Guid.NewGuid(), Channel.CreateBounded<ServerEvent>(new BoundedChannelOptions(256) { FullMode = BoundedChannelFullMode.DropOldest }));
        _listeners[id] = channel;
        try
        {
            await foreach (var sent in channel.Reader.ReadAllAsync(stop)) yield return sent;
        }
        finally
        {
            _listeners.TryRemove(id, out _);
        }
    }
}
