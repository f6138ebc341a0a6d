using Dekoro.Core.Banners;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using NodaTime;

namespace Dekoro.Intake;

/// <summary>Writes the days of banners as a calendar (RFC 5545), for calendars of people elsewhere.</summary>
public static class CalendarWriter
{
    /// <param name="now">When it was written.</param>
    public static string Write(string name, IEnumerable<RunEvent> events, DateTimeOffset now)
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Dekoro//Banners//EN" };
        calendar.AddProperty("X-WR-CALNAME", name);
        foreach (var one in events)
        {
            var written = new CalendarEvent
            {
                Uid = one.Uid + "@banners",
                Summary = one.Name,
                Start = DayOf(one.Days.From),
                // The day after the last.
                End = DayOf(one.Days.Until.PlusDays(1)),
                RecurrenceRule = RuleOf(one.Repeats),
                DtStamp = new CalDateTime(now.UtcDateTime),
            };
            calendar.Events.Add(written);
        }
        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }

    private static RecurrencePattern? RuleOf(EventRepeats repeats) =>
        repeats switch
        {
            EventRepeats.EachYear => new(FrequencyType.Yearly, 1),
            EventRepeats.EachLeapDay => new(FrequencyType.Yearly, 1) { ByMonth = [2], ByMonthDay = [29] },
            _ => null,
        };

    private static CalDateTime DayOf(LocalDate day) => new(day.Year, day.Month, day.Day);
}
