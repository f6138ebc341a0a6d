using System.Security.Cryptography;
using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Links;
using Dekoro.Storage;

namespace Dekoro.Application.Drafts;

/// <summary>Makes pages and posts, empty or with what was read elsewhere.</summary>
public sealed class PageMaking(
    Workspace workspace,
    PlanningContext planning,
    Events events,
    BackgroundWork background,
    Person person,
    SiteCalendar days,
    TimeProvider clock
)
{
    /// <returns>Null where the title will do.</returns>
    public static string? TitleError(string? title) =>
        title?.Trim().Length switch
        {
            null or 0 => "A page needs a title: type one.",
            > 200 => "A title holds at most 200 characters: shorten it.",
            _ => null,
        };

    /// <summary>What keeps a new page from being made; null where nothing does.</summary>
    public static FieldError? Refusal(string? kind, string? title) =>
        kind is not ("page" or "post") ? new("kind", "Say whether it is a page or a post.")
        : TitleError(title) is { } error ? new("title", error)
        : null;

    /// <summary>Makes one that is asked for.</summary>
    public ChangeResult<PageRow> Make(string kind, string title) =>
        Refusal(kind, title) is { } no
            ? new ChangeResult<PageRow>.Refused(no.Field, no.Sentence)
            : new ChangeResult<PageRow>.Done(Add(kind, title, Document.Empty));

    /// <param name="kind">page or post.</param>
    public PageRow Add(string kind, string title, Document document)
    {
        var id = RandomNumberGenerator.GetHexString(10, lowercase: true);
        workspace.Pages.Add(
            id,
            kind,
            new(title.Trim(), PathFor(kind, title), "", DocumentWriter.Write(document).ToJsonString()),
            clock.GetUtcNow(),
            kind == "post" ? days.Today.ToDateOnly() : null
        );
        events.Send("pages", new { id });
        background.Prepare();
        return workspace.Pages.Find(id)!;
    }

    /// <summary>Another page with all that is on one, its arrangements shared.</summary>
    public ChangeResult<PageRow> Copy(string id) =>
        workspace.Pages.Find(id) is { } page
            ? new ChangeResult<PageRow>.Done(Add(page.Kind, $"{page.Title}, copy", planning.DocumentOf(page)))
            : new ChangeResult<PageRow>.NotThere(Thing.Page);

    /// <summary>Puts pieces into a page's draft as it is now.</summary>
    /// <returns>False where the page was changed at the same moment.</returns>
    public bool Insert(PageRow page, string? afterBlockId, Document pieces)
    {
        var document = Inserting.Into(planning.DocumentOf(page), afterBlockId, pieces, NewBlockId);
        if (
            !workspace.Pages.SaveDrafts(
                [(page.Id, page.Version, DocumentWriter.Write(document).ToJsonString())],
                person.Now,
                clock.GetUtcNow()
            )
        )
            return false;
        events.Send("page", new { id = page.Id, version = page.Version + 1 });
        background.Prepare();
        return true;
    }

    /// <summary>An id no other piece of a page has.</summary>
    public static string NewBlockId() => RandomNumberGenerator.GetHexString(10, lowercase: true);

    /// <summary>The first page of a site is what visitors meet who type its address.</summary>
    public string PathFor(string kind, string title)
    {
        var isPost = kind == "post";
        return isPost || !workspace.Pages.PathIsFree("", "") ? PagePath.Of(title, kind, isPost) : "";
    }
}
