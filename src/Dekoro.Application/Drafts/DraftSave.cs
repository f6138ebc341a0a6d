using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Content;
using Dekoro.Core.Links;
using Dekoro.Storage;

namespace Dekoro.Application.Drafts;

/// <summary>Keeps drafts, never over another's: what two people did to one page is joined where it can be.</summary>
public sealed class DraftSave(
    Workspace workspace,
    PlanningContext planning,
    Events events,
    BackgroundWork background,
    Person person,
    TimeProvider clock
)
{
    private const int MaxTries = 5;

    /// <param name="version">Of the draft from which the change started.</param>
    public DraftSaveResult Keep(string id, DraftChange change, long version)
    {
        if (workspace.Pages.Find(id) is not { } page)
            return new DraftSaveResult.NoPage();
        if (PageMaking.TitleError(change.Title) is { } error)
            return new DraftSaveResult.Refused("title", error);
        var reading = DocumentReader.Read(change.Document);
        if (reading.Document is null)
            return new DraftSaveResult.NotADocument(reading.Errors);
        var yours = new PageText(
            change.Title.Trim(),
            change.Path ?? page.Path,
            (change.Summary ?? page.Summary).Trim(),
            reading.Document
        );
        var sent = Json.Write(change with { Path = yours.Path, Summary = yours.Summary });
        if (version == page.Version && PathError(yours.Path, page) is { } taken)
            return new DraftSaveResult.Refused("path", taken);
        return Save(id, yours, version, sent) ? Kept(id, version + 1, false) : Joined(id, yours, version, sent);
    }

    /// <summary>With what another has kept meanwhile.</summary>
    private DraftSaveResult Joined(string id, PageText yours, long version, string sent)
    {
        for (var i = 0; i < MaxTries; i++)
        {
            var page = workspace.Pages.Find(id)!;
            if (workspace.Sent.Find(id, version) is not { } basis || TextOf(basis) is not { } began)
                return new DraftSaveResult.Stale(page, null);
            var theirs = new PageText(page.Title, page.Path, page.Summary, planning.DocumentOf(page));
            var merge = PageMerge.Of(began, theirs, yours);
            if (merge.Clashes.Length > 0)
                return new DraftSaveResult.Stale(
                    page,
                    new(merge.Clashes, DraftChange.Of(merge.WithYours), DraftChange.Of(merge.WithTheirs))
                );
            if (PathError(merge.WithYours.Path, page) is { } taken)
                return new DraftSaveResult.Refused("path", taken);
            // Twice: what was sent is a version of its own, from which its sender may go on.
            if (Save(id, merge.WithYours, page.Version, sent) && Save(id, merge.WithYours, page.Version + 1, null))
                return Kept(id, page.Version + 1, true);
        }
        return new DraftSaveResult.Stale(workspace.Pages.Find(id)!, null);
    }

    private bool Save(string id, PageText text, long from, string? sent) =>
        workspace.Pages.SaveDraft(
            id,
            from,
            new(text.Title, text.Path, text.Summary, DocumentWriter.Write(text.Document).ToJsonString()),
            new(person.Now, clock.GetUtcNow()),
            sent: sent
        )
            is not null;

    private DraftSaveResult.Kept Kept(string id, long version, bool isJoined)
    {
        var now = workspace.Pages.Find(id)!;
        events.Send("page", new { id, version = now.Version });
        background.Prepare();
        return new(version, now, isJoined);
    }

    private static PageText? TextOf(string sent)
    {
        var body = Json.Read<DraftChange>(sent);
        return DocumentReader.Read(body.Document).Document is { } document
            ? new(body.Title.Trim(), body.Path ?? "", body.Summary ?? "", document)
            : null;
    }

    private string? PathError(string path, PageRow page) =>
        path == page.Path ? null
        : page.Path.Length == 0 ? "The front page's address is the site's own and stays as it is."
        : PagePath.ErrorOf(path) is { } error ? error
        : !workspace.Pages.PathIsFree(path, page.Id) ? "Another page has this address already: choose another."
        : null;
}
