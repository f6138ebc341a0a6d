using System.Globalization;
using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Publication;
using Dekoro.Core.Publication;
using Result = Dekoro.Application.Changes.ChangeResult<Dekoro.Storage.PageRow>;

namespace Dekoro.Application.Drafts;

/// <summary>What is done to a page as a whole.</summary>
public sealed class PageChanges(
    Workspace workspace,
    Events events,
    BackgroundWork background,
    Person person,
    TimeProvider clock
)
{
    /// <summary>On the public site or not, from the next publishing on.</summary>
    public Result Switch(string id, bool isOn)
    {
        if (workspace.Pages.Find(id) is not { } page)
            return new Result.NotThere(Thing.Page);
        if (page.Path.Length == 0 && !isOn)
            return new Result.Conflict(
                "The front page stays on: visitors who type the site's address would meet nothing."
            );
        workspace.Pages.Switch(id, isOn);
        Tell(id);
        return new Result.Done(page);
    }

    /// <summary>The day that visitors read beside a post, from the next publishing on.</summary>
    /// <param name="written">yyyy-mm-dd; "" for none.</param>
    public Result Date(string id, string written)
    {
        if (workspace.Pages.Find(id) is not { } page)
            return new Result.NotThere(Thing.Page);
        if (page.Kind != "post")
            return new Result.Refused("date", "A page has no date: posts do.");
        var isDay = DateOnly.TryParseExact(
            written,
            "yyyy-MM-dd",
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out var day
        );
        if (!isDay && written.Length > 0)
            return new Result.Refused("date", "A date is a day that there is, such as 2026-11-29.");
        workspace.Pages.Date(id, isDay ? day : null);
        Tell(id);
        return new Result.Done(page);
    }

    /// <summary>Away from the site and the lists; it waits to be put back.</summary>
    public Result TakeAway(string id)
    {
        if (workspace.Pages.Find(id) is not { } page)
            return new Result.NotThere(Thing.Page);
        if (page.Path.Length == 0)
            return new Result.Conflict(
                "The front page stays: visitors who type the site's address would meet nothing."
            );
        workspace.Pages.TakeAway(id, clock.GetUtcNow());
        Tell(id);
        return new Result.Done(page);
    }

    /// <summary>One that was taken away is back, as it was.</summary>
    public Result PutBack(string id)
    {
        if (!workspace.Pages.PutBack(id))
            return new Result.NotThere(Thing.Page);
        Tell(id);
        return new Result.Done(workspace.Pages.Find(id)!);
    }

    private void Tell(string id)
    {
        events.Send("pages", new { id });
        background.Prepare();
    }

    /// <summary>The order of pages in the site's menu.</summary>
    public void Reorder(IReadOnlyList<string> ids)
    {
        workspace.Pages.Reorder(ids);
        events.Send("pages", new { });
    }

    /// <summary>Posts in the order of their days, after the pages.</summary>
    public void NewestFirst()
    {
        var all = workspace.Pages.All().ToLookup(p => p.Kind == "post");
        Reorder([.. all[false].Select(p => p.Id), .. PostOrder.NewestFirst(all[true].Select(p => (p.Id, p.Dated)))]);
    }

    /// <summary>The draft as it stood then; how it stands now stays among the states.</summary>
    public Result Restore(string id, long version)
    {
        if (workspace.Pages.Find(id) is not { } page)
            return new Result.NotThere(Thing.Page);
        if (workspace.States.Find(id, version) is not { } state)
            return new Result.NotThere(Thing.State);
        var kept = workspace.Pages.SaveDraft(
            id,
            page.Version,
            new(state.Title, page.Path, state.Summary, state.Draft),
            new(person.Now, clock.GetUtcNow(), IsNewState: true)
        );
        if (kept is null)
            return new Result.Conflict(
                "The page was changed at the same moment, so nothing was done: look at it as it is now, and try again."
            );
        var now = workspace.Pages.Find(id)!;
        events.Send("page", new { id, version = now.Version });
        background.Prepare();
        return new Result.Done(now);
    }
}
