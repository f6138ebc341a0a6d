using Dekoro.Application.Drafts;

namespace Dekoro.Application.Pictures;

/// <summary>
/// The one queue for work on pixels. People take turns, whoever has asked for how much; ladders are made one at a time,
/// and one slot is always left for those who wait at a screen. Each job has an end.
/// </summary>
public sealed class PixelQueue(Person person)
{
    private static readonly TimeSpan MaxTime = TimeSpan.FromMinutes(3);

    private readonly int _slots = Math.Max(2, Environment.ProcessorCount);
    private readonly Lock _turns = new();
    private readonly LinkedList<(string Who, Queue<TaskCompletionSource> Waiting)> _asked = new();
    private readonly Queue<TaskCompletionSource> _ladders = new();
    private int _running;
    private bool _isLadderRunning;

    /// <param name="work">Given a token that ends it when its time is over or nobody waits any more.</param>
    public async Task<T> RunAsync<T>(PixelWork kind, Func<CancellationToken, T> work, CancellationToken stop)
    {
        var turn = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        lock (_turns)
        {
            if (kind == PixelWork.Ladder)
                _ladders.Enqueue(turn);
            else
                LaneOf(person.Now).Enqueue(turn);
            Next();
        }
        await using var purge = stop.Register(() => turn.TrySetCanceled(stop));
        await turn.Task;
        try
        {
            using var timed = CancellationTokenSource.CreateLinkedTokenSource(stop);
            timed.CancelAfter(MaxTime);
            return await Task.Run(() => work(timed.Token), stop);
        }
        finally
        {
            lock (_turns)
            {
                _running--;
                if (kind == PixelWork.Ladder)
                    _isLadderRunning = false;
                Next();
            }
        }
    }

    /// <summary>The same for who can do nothing else meanwhile.</summary>
    public T Run<T>(Func<CancellationToken, T> work, CancellationToken stop = default) =>
        RunAsync(PixelWork.Asked, work, stop).GetAwaiter().GetResult();

    private Queue<TaskCompletionSource> LaneOf(string who)
    {
        for (var lane = _asked.First; lane is not null; lane = lane.Next)
        {
            if (lane.Value.Who == who)
                return lane.Value.Waiting;
        }
        return _asked.AddLast((who, new Queue<TaskCompletionSource>())).Value.Waiting;
    }

    private void Next()
    {
        while (_running < _slots)
        {
            // While somebody is served, a ladder that waits has the next slot: neither starves the other.
            if (_running > 0 && NextLadder() is { } first)
                Begin(first, isLadder: true);
            else if (NextAsked() is { } asked)
                Begin(asked, isLadder: false);
            else if (NextLadder() is { } ladder)
                Begin(ladder, isLadder: true);
            else
                return;
        }
    }

    private TaskCompletionSource? NextLadder() => _isLadderRunning ? null : NextOf(_ladders);

    /// <summary>The first of the person whose turn it is, who then waits behind the others.</summary>
    private TaskCompletionSource? NextAsked()
    {
        while (_asked.First is { } lane)
        {
            _asked.RemoveFirst();
            if (NextOf(lane.Value.Waiting) is not { } first)
                continue;
            if (lane.Value.Waiting.Count > 0)
                _asked.AddLast(lane);
            return first;
        }
        return null;
    }

    /// <summary>Passing over those who have left.</summary>
    private static TaskCompletionSource? NextOf(Queue<TaskCompletionSource> waiting)
    {
        while (waiting.TryDequeue(out var first))
        {
            if (!first.Task.IsCompleted)
                return first;
        }
        return null;
    }

    private void Begin(TaskCompletionSource turn, bool isLadder)
    {
        // Somebody who leaves at this very moment gives the slot on.
        if (!turn.TrySetResult())
            return;
        _running++;
        _isLadderRunning |= isLadder;
    }
}
