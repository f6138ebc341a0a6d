using System.Security.Cryptography;
using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Arrangements;
using Result = Dekoro.Application.Changes.ChangeResult<string>;

namespace Dekoro.Application.Drafts;

/// <summary>Makes, changes and takes away arrangements; each answers with the id.</summary>
public sealed class ArrangementChanges(
    Workspace workspace,
    PlanningContext planning,
    Events events,
    BackgroundWork background,
    Person person,
    TimeProvider clock
)
{
    /// <summary>A gallery of some pictures, in their order.</summary>
    public Result Make(string name, IEnumerable<string> pictures)
    {
        var items = pictures.Select(p => new ItemValues("", p));
        var id = RandomNumberGenerator.GetHexString(10, lowercase: true);
        var reading = new ArrangementValues(name, GalleryValues.Of(Gallery.Usual), [.. items]).Check(id);
        if (reading.Arrangement is not { } set)
            return new Result.Refused(reading.Field, reading.Sentence!);
        workspace.Arrangements.Add(id, ArrangementValues.Of(set).Write(), clock.GetUtcNow());
        Tell(id, 1);
        return new Result.Done(id);
    }

    /// <param name="version">From which the change started.</param>
    public Result Change(string id, long version, ArrangementValues values)
    {
        if (workspace.Arrangements.Find(id) is null)
            return new Result.NotThere(Thing.Arrangement);
        var reading = values.Check(id);
        if (reading.Arrangement is not { } set)
            return new Result.Refused(reading.Field, reading.Sentence!);
        if (
            !workspace.Arrangements.Save(
                id,
                version,
                ArrangementValues.Of(set).Write(),
                new(person.Now, clock.GetUtcNow())
            )
        )
            return new Result.Stale(
                "This arrangement was changed in another window since you opened it: yours is still here, and "
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
        if (workspace.Arrangements.Find(id) is not { } now)
            return new Result.NotThere(Thing.Arrangement);
        if (workspace.ArrangementStates.Find(id, version) is not { } state)
            return new Result.NotThere(Thing.State);
        var (by, at) = (person.Now, clock.GetUtcNow());
        if (!workspace.Arrangements.Save(id, now.Version, state.Content, new(by, at, IsNewState: true)))
            return new Result.Conflict(
                "The arrangement was changed at the same moment, so nothing was done: look at it as it is "
                    + "now, and try again."
            );
        Tell(id, now.Version + 1);
        background.Prepare();
        return new Result.Done(id);
    }

    /// <summary>One that no page shows waits to be put back.</summary>
    public Result TakeAway(string id)
    {
        var pages = planning.PagesByArrangement()[id].Select(p => p.Title).ToList();
        if (pages.Count > 0)
            return new Result.Conflict(
                $"This arrangement stands on {string.Join(", ", pages)}: take it out there first."
            );
        return Moved(id, workspace.Arrangements.TakeAway(id, clock.GetUtcNow()));
    }

    /// <summary>One that was taken away is back.</summary>
    public Result PutBack(string id) => Moved(id, workspace.Arrangements.PutBack(id));

    private Result Moved(string id, bool isDone)
    {
        if (!isDone)
            return new Result.NotThere(Thing.Arrangement);
        Tell(id, 0);
        return new Result.Done(id);
    }

    private void Tell(string id, long version) => events.Send("arrangement", new { id, version });
}
