using System.Collections.Concurrent;

namespace Dekoro.Application.Hosting;

/// <summary>
/// Tells every open tool what has changed. A listener that does not keep up misses events, never holds up others.
/// </summary>
public sealed class Events
{
    /// <summary>
    /// A browser has one for all its windows; more than a few of one person are windows that were forgotten.
    /// </summary>
    public const int MaxOfAPerson = 4;

    private readonly ConcurrentDictionary<Guid, Listener> _listeners = new();
    private readonly Lock _joining = new();

    /// <summary>Tells every window that listens.</summary>
    public void Send(string name, object data)
    {
        var sent = new ServerEvent(name, Json.Write(data));
        foreach (var listener in _listeners.Values)
            listener.Tell(sent);
    }

    /// <summary>Ends what listens, so that a program that stops waits for nobody.</summary>
    public void Close()
    {
        foreach (var listener in _listeners.Values)
            listener.End();
    }

    /// <summary>Listens from now on, until it is disposed of.</summary>
    /// <returns>Null where this person listens often enough already.</returns>
    public Listener? Join(string who)
    {
        lock (_joining)
        {
            if (_listeners.Values.Count(l => l.Who == who) >= MaxOfAPerson)
                return null;
            var id = Guid.NewGuid();
            return _listeners[id] = new Listener(who, () => _listeners.TryRemove(id, out _));
        }
    }
}
