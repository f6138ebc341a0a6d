using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Publication;
using Dekoro.Storage;
using Result = Dekoro.Application.Changes.ChangeResult<string>;

namespace Dekoro.Application.Drafts;

/// <summary>What can be done to every thing that is kept as one text; each change answers with the id.</summary>
/// <param name="what">What it is, as problems name it.</param>
public abstract class ContentChanges(
    ContentTable table,
    Thing what,
    Events events,
    BackgroundWork background,
    Person person,
    TimeProvider clock
)
{
    private string Noun => table.Name;

    /// <summary>The time it is.</summary>
    protected DateTimeOffset Now => clock.GetUtcNow();

    /// <summary>Another text, from the version it began from.</summary>
    protected Result Keep(string id, long version, string content)
    {
        if (!table.Save(id, version, content, new(person.Now, Now)))
            return new Result.Stale(
                $"This {Noun} was changed in another window since you opened it: yours is still here, and "
                    + "nothing was overwritten.",
                id
            );
        Tell(id, version + 1);
        background.Prepare();
        return new Result.Done(id);
    }

    /// <summary>As it stood then; how it stands now stays among the states.</summary>
    public Result Restore(string id, long version)
    {
        if (table.Find(id) is not { } now)
            return new Result.NotThere(what);
        if (table.States.Find(id, version) is not { } state)
            return new Result.NotThere(Thing.State);
        if (!table.Save(id, now.Version, state.Content, new(person.Now, Now, IsNewState: true)))
            return new Result.Conflict(
                $"The {Noun} was changed at the same moment, so nothing was done: look at it as it is "
                    + "now, and try again."
            );
        Tell(id, now.Version + 1);
        background.Prepare();
        return new Result.Done(id);
    }

    /// <summary>One that was taken away is back.</summary>
    public Result PutBack(string id) => Moved(id, table.PutBack(id));

    /// <summary>After one went or came back.</summary>
    protected Result Moved(string id, bool isDone)
    {
        if (!isDone)
            return new Result.NotThere(what);
        Tell(id, 0);
        return new Result.Done(id);
    }

    /// <summary>Windows hear of it.</summary>
    protected void Tell(string id, long version) => events.Send(Noun, new { id, version });
}
