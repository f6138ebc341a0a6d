using Dekoro.Core.Calendar;
using NodaTime;

namespace Dekoro.Core.Banners;

/// <summary>Days of a banner as an all-day event of a calendar (RFC 5545).</summary>
/// <param name="Days">Both ends count.</param>
/// <param name="Repeats">Whether and how it comes back.</param>
public sealed record RunEvent(string Uid, string Name, DayRange Days, EventRepeats Repeats)
{
    /// <summary>
    /// The events that say when a banner runs. All recurrences of an event are as long as its first, so that days round
    /// the end of February, which is not always as long, are events of their own.
    /// </summary>
    /// <returns>None for one that is off, standing, or runs every day.</returns>
    public static IEnumerable<RunEvent> Of(Banner banner)
    {
        if (banner is not { IsOn: true, Dates: { } dates })
            return [];
        return dates switch
        {
            { Yearly: true } => Yearly(banner, dates),
            { From: { } from, Until: { } until } => [Once(banner, banner.Name, new(from, until))],
            { From: { } from } => [Once(banner, banner.Name + " begins", new(from, from))],
            { Until: { } until } => [Once(banner, banner.Name + " ends", new(until, until))],
            _ => [],
        };
    }

    private static RunEvent Once(Banner banner, string name, DayRange days) =>
        new(banner.Id, name, days, EventRepeats.Never);

    private static IEnumerable<RunEvent> Yearly(Banner banner, RunDates dates)
    {
        var (from, until) = (dates.From!.Value, dates.Until!.Value);
        if (!dates.Includes(new(2028, 2, 29)))
        {
            yield return new(banner.Id, banner.Name, new(from, AtOrAfter(from, until.Month, until.Day)), EachYear);
            yield break;
        }
        if (!IsLeapDay(from))
            yield return new(banner.Id + "-before", banner.Name, new(from, AtOrAfter(from, 2, 28)), EachYear);
        var leap = LeapDayAtOrAfter(from);
        yield return new(banner.Id + "-leap-day", banner.Name, new(leap, leap), EventRepeats.EachLeapDay);
        if (IsLeapDay(until))
            yield break;
        var march = AtOrAfter(from, 3, 1);
        yield return new(
            banner.Id + "-after",
            banner.Name,
            new(march, AtOrAfter(march, until.Month, until.Day)),
            EachYear
        );
    }

    private const EventRepeats EachYear = EventRepeats.EachYear;

    private static bool IsLeapDay(LocalDate day) => day is { Month: 2, Day: 29 };

    private static LocalDate AtOrAfter(LocalDate day, int month, int date)
    {
        var there = new LocalDate(day.Year, month, date);
        return there < day ? there.PlusYears(1) : there;
    }

    private static LocalDate LeapDayAtOrAfter(LocalDate day)
    {
        for (var year = day.Year; ; year++)
            if (CalendarSystem.Iso.IsLeapYear(year) && new LocalDate(year, 2, 29) is var leap && leap >= day)
                return leap;
    }
}
