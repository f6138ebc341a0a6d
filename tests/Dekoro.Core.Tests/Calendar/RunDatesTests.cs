using CsCheck;
using Dekoro.Core.Calendar;
using NodaTime;

namespace Dekoro.Core.Tests.Calendar;

public sealed class RunDatesTests
{
    private static readonly Gen<LocalDate> Days = Gen.Int[0, 2000].Select(n => new LocalDate(2023, 6, 1).PlusDays(n));

    private static string Iso(LocalDate day) => day.ToString("uuuu-MM-dd", null);

    private static RunDates Of(string from, string until, bool yearly = false) =>
        RunDates.Read(from, until, yearly).Dates!;

    [Fact]
    public void Changes_are_told_on_the_very_days_on_which_it_begins_or_ends() =>
        Gen.Select(Days, Days, Gen.Bool, Days, Gen.Int[1, 900])
            .Sample(
                (a, b, yearly, after, length) =>
                {
                    var (from, until) = yearly || a <= b ? (a, b) : (b, a);
                    var dates = Of(Iso(from), Iso(until), yearly);
                    var last = after.PlusDays(length);
                    var swept = Enumerable
                        .Range(1, length)
                        .Select(n => after.PlusDays(n))
                        .Where(day => dates.Includes(day) != dates.Includes(day.PlusDays(-1)));
                    Assert.Equal(swept, dates.ChangesWithin(after, last));
                    Assert.True(dates.Includes(yearly ? new(2028, from.Month, from.Day) : from));
                    Assert.True(dates.Includes(yearly ? new(2028, until.Month, until.Day) : until));
                }
            );

    [Theory]
    [InlineData("2026-12-01", "2026-01-06", "2027-01-06", true)]
    [InlineData("2026-12-01", "2026-01-06", "2027-01-07", false)]
    [InlineData("2026-12-01", "2026-01-06", "2026-11-30", false)]
    [InlineData("2026-12-01", "2026-01-06", "2030-12-01", true)]
    [InlineData("2024-02-29", "2024-04-01", "2027-02-28", false)]
    [InlineData("2024-02-29", "2024-04-01", "2027-03-01", true)]
    [InlineData("2024-02-01", "2024-02-29", "2027-02-28", true)]
    [InlineData("2024-02-01", "2024-02-29", "2027-03-01", false)]
    [InlineData("2024-02-01", "2024-02-29", "2028-02-29", true)]
    public void Yearly_dates_wrap_the_year_and_the_leap_day_moves_to_what_is_nearest_within(
        string from,
        string until,
        string day,
        bool shown
    ) =>
        Assert.Equal(
            shown,
            Of(from, until, yearly: true).Includes(NodaTime.Text.LocalDatePattern.Iso.Parse(day).Value)
        );

    [Fact]
    public void One_end_is_enough_and_what_cannot_be_gets_a_sentence()
    {
        Assert.True(Of("", "2026-12-24").Includes(new(1990, 1, 1)));
        Assert.False(Of("2026-12-24", "").Includes(new(2026, 12, 23)));
        Assert.Equal(new RunDatesReading(null, null), RunDates.Read("", null, false));
        foreach (
            var (from, until, yearly) in new[]
            {
                ("2026-12-24", "2026-12-23", false),
                ("2026-12-24", "", true),
                ("24.12.2026", "", false),
                ("2026-02-30", "", false),
                ("9999-01-01", "", false),
            }
        )
            Assert.EndsWith(".", RunDates.Read(from, until, yearly).Sentence, StringComparison.Ordinal);
        Assert.Equal("not shown before 24 December 2026", Of("2026-12-24", "").InWords(new(2026, 11, 26)));
        Assert.Equal(
            "not shown now, every year from 1 December to 6 January",
            Of("2026-12-01", "2027-01-06", true).InWords(new(2026, 11, 26))
        );
    }
}
