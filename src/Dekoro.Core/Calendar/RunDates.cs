using System.Globalization;
using NodaTime;
using NodaTime.Text;

namespace Dekoro.Core.Calendar;

/// <summary>The days on which something is shown, of the site's own calendar; both ends count.</summary>
/// <remarks>In common years 29 February is 1 March where something begins and 28 February where it ends.</remarks>
public sealed record RunDates
{
    private const int MinYear = 1900,
        MaxYear = 2200;

    private RunDates(LocalDate? from, LocalDate? until, bool yearly) => (From, Until, Yearly) = (from, until, yearly);

    /// <summary>Null for ever before.</summary>
    public LocalDate? From { get; }

    /// <summary>Null for ever after.</summary>
    public LocalDate? Until { get; }

    /// <summary>Day and month come back every year, and may wrap the year; then there are both.</summary>
    public bool Yearly { get; }

    /// <param name="from">As 2026-12-01; empty for none.</param>
    public static RunDatesReading Read(string? from, string? until, bool yearly)
    {
        if (!IsDay(from, out var first) || !IsDay(until, out var last))
            return new(
                null,
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"A day is written 2026-12-24, in a year from {MinYear} to {MaxYear}."
                )
            );
        if (yearly && (first is null || last is null))
            return new(null, "What comes back every year has a first day and a last one: set both.");
        if (!yearly && first > last)
            return new(
                null,
                "It would end before it begins: set a last day that is later, or let it come back every year."
            );
        return first is null && last is null ? new(null, null) : new(new(first, last, yearly), null);
    }

    /// <summary>Whether the day is among them.</summary>
    public bool Includes(LocalDate day)
    {
        if (!Yearly)
            return !(day < From) && !(day > Until);
        var (begun, goesOn) = (day >= BeginsIn(day.Year), day <= EndsIn(day.Year));
        return Wraps ? begun || goesOn : begun && goesOn;
    }

    /// <summary>Days on which it begins to be shown, or is no longer.</summary>
    /// <param name="after">The day before the first that counts.</param>
    public IEnumerable<LocalDate> ChangesWithin(LocalDate after, LocalDate last)
    {
        var candidates = Yearly
            ? Enumerable
                .Range(after.Year, last.Year - after.Year + 1)
                .SelectMany(year => new[] { BeginsIn(year), EndsIn(year).PlusDays(1) })
            : new[] { From, Until?.PlusDays(1) }.OfType<LocalDate>();
        return candidates
            .Where(day => day > after && day <= last && Includes(day) != Includes(day.PlusDays(-1)))
            .Distinct()
            .Order();
    }

    /// <summary>Runs between two days, in their order; of those that reach beyond only what lies within.</summary>
    public IEnumerable<DayRange> RunsWithin(LocalDate first, LocalDate last)
    {
        var runs = Yearly
            ? Enumerable
                .Range(first.Year - 1, last.Year - first.Year + 2)
                .Select(year => new DayRange(BeginsIn(year), EndsIn(Wraps ? year + 1 : year)))
            : [new DayRange(From ?? first, Until ?? last)];
        return runs.Select(run => new DayRange(LocalDate.Max(run.From, first), LocalDate.Min(run.Until, last)))
            .Where(run => run.From <= run.Until);
    }

    /// <summary>It goes on over the end of the year.</summary>
    public bool Wraps =>
        Yearly && (From!.Value.Month, From.Value.Day).CompareTo((Until!.Value.Month, Until.Value.Day)) > 0;

    /// <summary>What is to be known of it on a day.</summary>
    public string InWords(LocalDate today)
    {
        var on = Includes(today);
        if (Yearly)
            return $"{(on ? "shown now" : "not shown now")}, every year from {DayOf(From!.Value)} to "
                + $"{DayOf(Until!.Value)}";
        return (on, From, Until) switch
        {
            (true, _, { } until) => $"shown until {Named(until)}",
            (true, _, null) => $"shown since {Named(From!.Value)}",
            (false, { } from, _) when from > today => $"not shown before {Named(from)}",
            _ => $"not shown since {Named(Until!.Value.PlusDays(1))}",
        };
    }

    /// <summary>The day as the tool and the pages name it: 3 August 2026.</summary>
    public static string Named(LocalDate day) => day.ToString("d MMMM yyyy", CultureInfo.InvariantCulture);

    private static string DayOf(LocalDate day) => day.ToString("d MMMM", CultureInfo.InvariantCulture);

    private LocalDate BeginsIn(int year) =>
        IsMissingIn(year, From!.Value) ? new(year, 3, 1) : new(year, From.Value.Month, From.Value.Day);

    private LocalDate EndsIn(int year) =>
        IsMissingIn(year, Until!.Value) ? new(year, 2, 28) : new(year, Until.Value.Month, Until.Value.Day);

    private static bool IsMissingIn(int year, LocalDate day) =>
        day is { Month: 2, Day: 29 } && !CalendarSystem.Iso.IsLeapYear(year);

    private static bool IsDay(string? written, out LocalDate? day)
    {
        day = null;
        if (written is not { Length: > 0 })
            return true;
        var read = LocalDatePattern.Iso.Parse(written);
        if (!read.Success || read.Value.Year is < MinYear or > MaxYear)
            return false;
        day = read.Value;
        return true;
    }
}
