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
) : ContentChanges(workspace.Arrangements, Thing.Arrangement, events, background, person, clock)
{
    /// <summary>A gallery of some pictures, in their order.</summary>
    public Result Make(string name, IEnumerable<string> pictures)
    {
        var items = pictures.Select(p => new ItemValues("", p));
        var id = RandomNumberGenerator.GetHexString(10, lowercase: true);
        var reading = new ArrangementValues(name, GalleryValues.Of(Gallery.Usual), [.. items]).Check(id);
        if (reading.Arrangement is not { } set)
            return new Result.Refused(reading.Field, reading.Sentence!);
        workspace.Arrangements.Add(id, ArrangementValues.Of(set).Write(), Now);
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
        return Keep(id, version, ArrangementValues.Of(set).Write());
    }

    /// <summary>One that no page shows waits to be put back.</summary>
    public Result TakeAway(string id)
    {
        var pages = planning.Used.Sets[id].Select(p => p.Title).ToList();
        if (pages.Count > 0)
            return new Result.Conflict(
                $"This arrangement stands on {string.Join(", ", pages)}: take it out there first."
            );
        return Moved(id, workspace.Arrangements.TakeAway(id, Now));
    }
}
