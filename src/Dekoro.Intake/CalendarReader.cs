using Dekoro.Core.Calendar;
using Ical.Net;
using Ical.Net.CalendarComponents;
using NodaTime;

namespace Dekoro.Intake;

/// <summary>Reads events of a calendar (RFC 5545) as days on which something runs.</summary>
public static class CalendarReader
{
    /// <summary>More than any season's programme.</summary>
    public const int MaxBytes = 1 << 20,
        MaxEvents = 500;

    private const int MaxName = 100;

    /// <param name="Days">Both ends count.</param>
    public sealed record Event(string Name, DayRange Days, bool Yearly);

    /// <exception cref="UnreadableException">It is no calendar, is too large, or holds no event with a day.</exception>
    public static IReadOnlyList<Event> Read(string text)
    {
        if (text.Length > MaxBytes)
            throw new UnreadableException(
                $"This calendar is larger than {MaxBytes >> 20} MB: export one year or one calendar of it."
            );
        Ical.Net.Calendar? calendar;
        try
        {
            calendar = Ical.Net.Calendar.Load(text);
        }
        catch (Exception e)
            when (e
                    is FormatException
                        or ArgumentException
                        or InvalidOperationException
                        or System.Runtime.Serialization.SerializationException
            )
        {
            calendar = null;
        }
        if (calendar is null)
            throw new UnreadableException("This is no calendar: export one from your calendar as a file in .ics.");
        var events = calendar.Events.Take(MaxEvents).Select(Of).OfType<Event>().ToList();
        return events.Count > 0
            ? events
            : throw new UnreadableException("This calendar holds no events with a day: export one that does.");
    }

    private static Event? Of(CalendarEvent one)
    {
        if (one.Start is not { } start)
            return null;
        var from = DayOf(start.Date);
        // The end of an event of whole days is the day after its last; one that ends at midnight ends the day before.
        var end = one.End ?? (one.Duration is { } length ? start.Add(length) : null);
        var until = end is null ? from : DayOf(end.Date);
        if (end is not null && until > from && (!end.HasTime || end.Time!.Value == TimeOnly.MinValue))
            until = until.PlusDays(-1);
        var name = (one.Summary ?? "").Trim();
        return new(
            name.Length == 0 ? "Without a name" : name[..Math.Min(MaxName, name.Length)],
            new(from, until < from ? from : until),
            one.RecurrenceRule?.Frequency == FrequencyType.Yearly
        );
    }

    private static LocalDate DayOf(DateOnly day) => new(day.Year, day.Month, day.Day);
}
