using System.Text;
using Dekoro.Application.Drafts;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Intake;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using NodaTime.Text;

namespace Dekoro.Server.Endpoints;

/// <summary>The days of banners as a calendar, out and in.</summary>
internal static class CalendarEndpoints
{
    /// <summary>Where the days of banners are to be had, where that is switched on.</summary>
    public const string Address = "/calendar/banners.ics";

    private const string Mime = "text/calendar";

    public static void MapCalendar(this IEndpointRouteBuilder api)
    {
        api.MapGet("/banners/calendar", Out).WithSummary("The days of all banners, as a calendar (RFC 5545).");
        api.MapPost("/banners/calendar", In)
            .WithSummary("Reads a calendar; nothing is kept.")
            .Takes(4 * CalendarReader.MaxBytes);
        api.MapPut("/banners/calendar", Turn).WithSummary("Switches the calendar's own address on or off.");
    }

    /// <summary>For calendars elsewhere, which ask again and again.</summary>
    public static void MapCalendarAddress(this IEndpointRouteBuilder app) =>
        app.MapGet(Address, (SiteBanners banners, BannerCalendar calendar) =>
                banners.HasCalendarAddress
                    ? Out(calendar)
                    : Problems.Of(404, "The calendar of banners has no address: it is switched on under Banners.")
            )
            .ExcludeFromDescription();

    private static IResult Out(BannerCalendar calendar) =>
        Results.File(Encoding.UTF8.GetBytes(calendar.Text()), Mime, "banners.ics");

    private static NoContent Turn(CalendarSwitch to, BannerChanges changes)
    {
        changes.OfferCalendar(to.IsOn);
        return TypedResults.NoContent();
    }

    private static Results<Ok<IReadOnlyList<CalendarEventItem>>, ProblemHttpResult> In(CalendarText sent)
    {
        try
        {
            return TypedResults.Ok<IReadOnlyList<CalendarEventItem>>([
                .. CalendarReader
                    .Read(sent.Text)
                    .Select(e => new CalendarEventItem(
                        e.Name,
                        LocalDatePattern.Iso.Format(e.Days.From),
                        LocalDatePattern.Iso.Format(e.Days.Until),
                        e.Yearly
                    )),
            ]);
        }
        catch (UnreadableException e)
        {
            return Problems.Of(400, e.Message, "text");
        }
    }
}
