using System.Collections.Immutable;
using CsCheck;
using Dekoro.Core.Banners;
using Dekoro.Core.Calendar;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Ical.Net.DataTypes;
using NodaTime;

namespace Dekoro.Intake.Tests;

/// <summary>Days of banners, written for calendars elsewhere and read from them.</summary>
public sealed class CalendarTests
{
    private static readonly BandBlock Empty = new(
        "b",
        Backdrop.None,
        default,
        HorizontalAlign.Left,
        VerticalAlign.Middle,
        []
    );

    private static readonly Gen<LocalDate> Days = Gen.Frequency(
        (4, Gen.Int[0, 3652].Select(n => new LocalDate(2023, 1, 1).PlusDays(n))),
        (1, Gen.OneOfConst(new LocalDate(2024, 2, 29), new LocalDate(2026, 2, 28), new LocalDate(2027, 3, 1)))
    );

    private static string Iso(LocalDate day) => day.ToString("uuuu-MM-dd", null);

    private static Banner Of(string from, string until, bool yearly) =>
        new("x", "Winter", true, false, RunDates.Read(from, until, yearly).Dates, [], false, Empty);

    [Fact]
    public void A_calendar_read_back_by_another_library_has_the_same_days_for_ten_years() =>
        Gen.Select(Days, Days, Gen.Bool)
            .Sample(
                (a, b, yearly) =>
                {
                    var (from, until) = yearly || a <= b ? (a, b) : (b, a);
                    var banner = Of(Iso(from), Iso(until), yearly);
                    var text = CalendarWriter.Write("Windle", RunEvent.Of(banner), DateTimeOffset.UnixEpoch);
                    var calendar = Ical.Net.Calendar.Load(text)!;
                    var last = from.PlusYears(10);
                    var written = calendar
                        .GetOccurrences(new CalDateTime(from.Year, from.Month, from.Day))
                        .TakeWhile(o => DayOf(o.Period.StartTime.Date) <= last)
                        .SelectMany(o => DaysOf(DayOf(o.Period.StartTime.Date), DayOf(o.Period.EffectiveEndTime!.Date)))
                        .Where(day => day <= last)
                        .ToList();
                    var due = DaysOf(from, last.PlusDays(1)).Where(banner.Dates!.Includes);
                    Assert.Equal(due, written.Order());
                },
                iter: 300
            );

    private static LocalDate DayOf(DateOnly day) => new(day.Year, day.Month, day.Day);

    private static IEnumerable<LocalDate> DaysOf(LocalDate from, LocalDate before)
    {
        for (var day = from; day < before; day = day.PlusDays(1))
            yield return day;
    }

    [Fact]
    public void Days_that_were_written_come_back_as_they_were()
    {
        var text = CalendarWriter.Write(
            "Windle",
            RunEvent
                .Of(Of("2026-11-01", "2027-01-31", true))
                .Concat(RunEvent.Of(Of("2026-06-12", "2026-06-14", false))),
            DateTimeOffset.UnixEpoch
        );
        Assert.Equal(
            [
                new CalendarReader.Event("Winter", new(new(2026, 11, 1), new(2027, 1, 31)), true),
                new CalendarReader.Event("Winter", new(new(2026, 6, 12), new(2026, 6, 14)), false),
            ],
            CalendarReader.Read(text)
        );
    }

    [Fact]
    public void An_evening_is_a_day_and_what_is_no_calendar_gets_a_sentence()
    {
        const string evening = """
            BEGIN:VCALENDAR
            VERSION:2.0
            BEGIN:VEVENT
            UID:1
            DTSTART:20260301T190000
            DTEND:20260302T000000
            END:VEVENT
            END:VCALENDAR
            """;
        var read = Assert.Single(CalendarReader.Read(evening));
        Assert.Equal(("Without a name", new LocalDate(2026, 3, 1)), (read.Name, read.Days.Until));
        foreach (
            var text in new[] { "", "Buy string.", "BEGIN:VCALENDAR\nEND:VCALENDAR", "BEGIN:VEVENT\nRRULE:nonsense" }
        )
            Assert.Throws<UnreadableException>(() => CalendarReader.Read(text));
        Assert.Contains(
            "larger than 1 MB",
            Assert.Throws<UnreadableException>(() => CalendarReader.Read(new string('x', 5 << 20))).Message,
            StringComparison.Ordinal
        );
    }
}
