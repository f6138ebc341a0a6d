using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Banners;
using Dekoro.Core.Calendar;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using NodaTime;
using NodaTime.Text;

namespace Dekoro.Server.Endpoints;

/// <summary>What stands at the top of which page, and when.</summary>
internal static class BannerEndpoints
{
    private const int MinYear = 1900,
        MaxYear = 2200;

    public static void MapBanners(this IEndpointRouteBuilder api)
    {
        api.MapGet("/banners", List).WithSummary("All banners, those before others first.");
        api.MapPost("/banners", Make).WithSummary("Makes a banner, before all others.").Takes(Bodies.MaxDraft);
        api.MapPost("/banners/begin", Begin)
            .WithSummary("Begins a banner of a picture or a colour, right without touching anything.");
        api.MapPost("/banners/{id}/copy", Duplicate).WithSummary("Another of the same, before all others.");
        api.MapGet("/banners/{id}", Find).WithSummary("One banner.");
        api.MapPut("/banners/{id}", Change)
            .WithSummary("Changes a banner; a stale If-Match is answered with 409 and how it is now.")
            .Takes(Bodies.MaxDraft);
        api.MapPost("/banners/order", Order).WithSummary("Which banners go before which.");
        api.MapDelete("/banners/{id}", Remove).WithSummary("Takes a banner away; it waits to be put back.");
        api.MapPost("/banners/{id}/back", PutBack).WithSummary("Puts a banner back that was taken away.");
        api.MapGet("/banners/{id}/states", States)
            .WithSummary("Every state that a banner was kept in, the newest first, with who and when.");
        api.MapPost("/banners/{id}/states/{version}/restore", Restore)
            .WithSummary("The banner is as it stood then; how it stands now stays among the states.");
        api.MapGet("/banners/{id}/look", Look)
            .WithSummary("How a banner comes out on a page: words, fit, height, what is to be mended.");
        api.MapPost("/banners/year", Year)
            .WithSummary("Whole year of banners for one page; with dates or an order that is only tried.");
    }

    private static Ok<BannerList> List(
        PlanningContext planning,
        SiteBanners banners,
        SiteCalendar calendar,
        BannerPreview all
    )
    {
        var pages = planning.AllPages;
        return TypedResults.Ok(
            new BannerList(
                all.All(),
                LocalDatePattern.Iso.Format(calendar.Today),
                [.. pages.Select(p => new BannerPageItem(p.Id, p.Kind, p.Title, p.Path))],
                [.. pages.Select(p => SiteBanners.PageOf(p).Folder).OfType<string>().Distinct().Order()],
                Banner.MaxButtons,
                banners.HasCalendarAddress ? CalendarEndpoints.Address : null
            )
        );
    }

    private static Results<Ok<BannerResponse>, ProblemHttpResult> Make(
        BannerValues values,
        BannerChanges changes,
        BannerPreview preview
    ) => changes.Make(values).Answer(preview.There);

    private static Results<Ok<BannerResponse>, ProblemHttpResult> Begin(
        BannerBeginning beginning,
        BannerChanges changes,
        BannerPreview preview
    ) => changes.Begin(beginning).Answer(preview.There);

    private static Results<Ok<BannerResponse>, ProblemHttpResult> Duplicate(
        string id,
        BannerChanges changes,
        BannerPreview preview
    ) => changes.Duplicate(id).Answer(preview.There);

    private static Results<Ok<BannerResponse>, ProblemHttpResult> Find(string id, BannerPreview preview) =>
        preview.Find(id) is { } found ? TypedResults.Ok(found) : Problems.NoBanner();

    private static Results<Ok<BannerResponse>, ProblemHttpResult> Change(
        string id,
        BannerValues values,
        BannerChanges changes,
        BannerPreview preview,
        HttpRequest request
    ) =>
        Problems.VersionOf(request.Headers.IfMatch) is { } version
            ? changes.Change(id, version, values).Answer(preview.There, values)
            : Problems.NoVersion();

    private static NoContent Order(PageOrder order, BannerChanges changes)
    {
        changes.Order(order.Ids);
        return TypedResults.NoContent();
    }

    private static Results<NoContent, ProblemHttpResult> Remove(string id, BannerChanges changes) =>
        changes.TakeAway(id).Answer();

    private static Results<NoContent, ProblemHttpResult> PutBack(string id, BannerChanges changes) =>
        changes.PutBack(id).Answer();

    private static Results<Ok<IReadOnlyList<StateResponse>>, ProblemHttpResult> States(
        string id,
        Workspace workspace
    ) =>
        workspace.Banners.Find(id) is { } row
            ? TypedResults.Ok(StateEndpoints.ListOf(workspace.Banners, id, row.Version, s => BannerValues.Read(s).Name))
            : Problems.NoBanner();

    private static Results<Ok<BannerResponse>, ProblemHttpResult> Restore(
        string id,
        long version,
        BannerChanges changes,
        BannerPreview preview
    ) => changes.Restore(id, version).Answer(preview.There);

    private static Results<Ok<BannerLook>, ProblemHttpResult> Look(
        string id,
        string page,
        Workspace workspace,
        SiteBanners banners,
        DraftPreview preview
    )
    {
        if (workspace.Banners.Find(id) is not { } row)
            return Problems.NoBanner();
        return workspace.Pages.Find(page) is { } there
            ? TypedResults.Ok(preview.LookOf(there, banners.Of(row)))
            : Problems.NoPage();
    }

    private static Results<Ok<BannerYear>, ProblemHttpResult> Year(
        BannerTimes asked,
        PlanningContext planning,
        SiteBanners banners,
        SiteCalendar calendar
    )
    {
        if (asked.Year is < MinYear or > MaxYear)
            return Problems.Of(400, $"A year is from {MinYear} to {MaxYear}.", "year");
        if (planning.AllPages.FirstOrDefault(p => p.Id == asked.PageId) is not { } row)
            return Problems.NoPage();
        var (order, refused) = Tried(banners.Order, asked);
        var (page, pages) = (SiteBanners.PageOf(row), planning.AllPages.Where(p => p.IsOn));
        var (first, last) = (new LocalDate(asked.Year, 1, 1), new LocalDate(asked.Year, 12, 31));
        var today = calendar.Today;
        var next = order.ChangesWithin(page, today, today.PlusYears(1)).Select(d => (LocalDate?)d).FirstOrDefault();
        return TypedResults.Ok(
            new BannerYear(
                order.All.ToDictionary(
                    b => b.Id,
                    IReadOnlyList<DaySpan> (b) => [.. b.RunsWithin(first, last).Select(r => SpanOf(b, r, first))]
                ),
                [
                    .. order
                        .Over(page, first, last)
                        .Select(s => new ShownSpan(
                            Period.DaysBetween(first, s.From),
                            Period.DaysBetween(s.From, s.Until) + 1,
                            LocalDatePattern.Iso.Format(s.From),
                            LocalDatePattern.Iso.Format(s.Until),
                            s.BannerId
                        )),
                ],
                Unseen
                    .Of(order, [.. pages.Select(SiteBanners.PageOf)], first, last)
                    .ToDictionary(u => u.BannerId, u => u.Sentence),
                [.. order.All.Where(b => b.IsAimedAt(page)).Select(b => b.Id)],
                next is { } day ? RunDates.Named(day) : null,
                Period.DaysBetween(first, last) + 1,
                refused
            )
        );
    }

    /// <summary>The banners as they would be with what is tried.</summary>
    private static (BannerOrder Order, string? Refused) Tried(BannerOrder kept, BannerTimes asked)
    {
        var order = asked.Order is { } ids ? kept.InOrder(ids) : kept;
        if (asked.Instead is not { } tried)
            return (order, null);
        var (dates, sentence) = RunDates.Read(tried.From, tried.Until, tried.Yearly);
        return (sentence is null ? order.Trying(tried.Id, dates) : order, sentence);
    }

    private static DaySpan SpanOf(Banner banner, DayRange range, LocalDate first) =>
        new(
            Period.DaysBetween(first, range.From),
            Period.DaysBetween(range.From, range.Until) + 1,
            LocalDatePattern.Iso.Format(range.From),
            LocalDatePattern.Iso.Format(range.Until),
            !banner.RunsOn(range.From.PlusDays(-1)),
            !banner.RunsOn(range.Until.PlusDays(1))
        );
}
