using System.Collections.Concurrent;
using System.Threading.Channels;

namespace Dekoro.Server.Work;

/// <param name="Name">Which kind: library, page, job.</param>
/// <param name="Data">As JSON.</param>
public sealed record ServerEvent(string Name, string Data);

/// <summary>Tells every open tool what has changed. A listener that does not keep up misses events, never holds up others.</summary>
public sealed class Events
{
    /// <summary>A browser has one for all its windows; more than a few of one person are windows that were forgotten.</summary>
    public const int MostOfAPerson = 4;

    private readonly ConcurrentDictionary<Guid, Listener> _listeners = new();
    private readonly Lock _joining = new();

    public void Send(string name, object data)
    {
        var sent = new ServerEvent(name, Json.Write(data));
        foreach (var listener in _listeners.Values) listener.Tell(sent);
    }

    /// <summary>Ends what listens, so that a program that stops waits for nobody.</summary>
    public void Close()
    {
        foreach (var listener in _listeners.Values) listener.End();
    }

    /// <summary>Listens from now on, until it is disposed of.</summary>
    /// <returns>Null where this person listens often enough already.</returns>
    public Listener? Join(string who)
    {
        lock (_joining)
        {
            if (_listeners.Values.Count(l => l.Who == who) >= MostOfAPerson) return null;
            var id = Guid.NewGuid();
            return _listeners[id] = new Listener(who, () => _listeners.TryRemove(id, out _));
        }
    }
}

/// <summary>One open tool.</summary>
public sealed class Listener(string who, Action leave) : IDisposable
{
    private readonly Channel<ServerEvent> _channel = Channel.CreateBounded<ServerEvent>(new BoundedChannelOptions(256) { FullMode = BoundedChannelFullMode.DropOldest });

    public string Who => who;

    public IAsyncEnumerable<ServerEvent> AllAsync(CancellationToken stop) => _channel.Reader.ReadAllAsync(stop);

    public void Dispose() => leave();

    internal void Tell(ServerEvent sent) => _channel.Writer.TryWrite(sent);

    internal void End() => _channel.Writer.TryComplete();
}
