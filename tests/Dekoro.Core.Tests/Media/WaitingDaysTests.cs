using CsCheck;
using Dekoro.Core.Publication;

namespace Dekoro.Core.Tests.Media;

public sealed class WaitingDaysTests
{
    private static readonly DateOnly First = new(2026, 6, 1);

    [Fact]
    public void A_clock_is_believed_from_the_third_day_of_work_on() =>
        Gen.Int[0, WaitingDays.MaxOffDays]
            .Array[2, 20]
            .Sample(gaps =>
            {
                var (days, day) = (WaitingDays.Of([First]), First);
                foreach (var gap in gaps)
                    days = days.With(day = day.AddDays(gap));
                Assert.Equal(gaps.Count(g => g > 0) >= 2, days.AreSteady);
            });

    [Theory]
    [InlineData(365)]
    [InlineData(WaitingDays.MaxOffDays + 1)]
    [InlineData(-1)]
    [InlineData(-400)]
    public void After_a_leap_ahead_or_back_it_has_to_be_believed_anew(int leap)
    {
        var steady = WaitingDays.Of([First, First.AddDays(1), First.AddDays(2)]);
        Assert.True(steady.AreSteady);
        var after = steady.With(First.AddDays(2 + leap));
        Assert.False(after.AreSteady);
        Assert.False(after.With(First.AddDays(3 + leap)).AreSteady);
        Assert.True(after.With(First.AddDays(3 + leap)).With(First.AddDays(4 + leap)).AreSteady);
    }
}
