using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Media;
using Result = Dekoro.Application.Changes.ChangeResult<Dekoro.Storage.StoredDownload>;

namespace Dekoro.Application.Pictures;

/// <summary>Words and addresses of files that are no pictures, and which of them are taken away.</summary>
public sealed class DownloadChanges(Workspace workspace, PlanningContext planning, Events events, TimeProvider clock)
{
    /// <param name="version">From which the change started.</param>
    public Result Change(string id, long version, DownloadChange change)
    {
        if (workspace.Downloads.Find(id) is not { } found)
            return new Result.NotThere(Thing.File);
        var links = planning.Used.Files[id].Select(p => p.Title).Distinct().ToList();
        if (change.IsAway == true && links.Count > 0)
            return new Result.Conflict($"{string.Join(", ", links)} links to it: take the link out there first.");
        var now = change.On(found.Facts);
        if (now.Title.Length == 0)
            return new Result.Refused("title", "A file needs a title: its address and its link are made from it.");
        if (PictureMetadata.TooLong(now.Title, now.Description, now.Folder) is { } error)
            return new Result.Refused(null, error);
        if (!workspace.Downloads.Change(now, version, change.AwayOn(found.AwaySince, clock.GetUtcNow())))
            return workspace.Downloads.Find(id) is { } meanwhile
                ? new Result.Stale(
                    "Someone changed this file's words meanwhile: theirs are shown now, yours are still in the field.",
                    meanwhile
                )
                : new Result.NotThere(Thing.File);
        events.Send("library", new { id });
        return new Result.Done(workspace.Downloads.Find(id)!);
    }
}
