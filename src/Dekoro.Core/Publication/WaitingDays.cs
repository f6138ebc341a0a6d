using System.Collections.Immutable;

namespace Dekoro.Core.Publication;

/// <summary>
/// The last days on which the program did its daily work. What waits to go is judged by the clock, and a clock that
/// leaps a year ahead would let everything go at once: nothing goes until the clock has run on evenly for a while.
/// </summary>
/// <param name="Days">Oldest first, each once.</param>
public sealed record WaitingDays(ImmutableArray<DateOnly> Days)
{
    /// <summary>So many days of work with no leap between them make a clock believed.</summary>
    public const int SteadyDays = 3;

    /// <summary>The program may be off so long, days, and the clock is still believed.</summary>
    public const int MaxOffDays = 45;

    private const int Kept = 10;

    /// <summary>Those days, oldest first.</summary>
    public static WaitingDays Of(IEnumerable<DateOnly> days) => new([.. days]);

    /// <summary>True from the third day on, counted since the last leap.</summary>
    public bool AreSteady => Days.Length >= SteadyDays;

    /// <summary>With the work of a day; a leap ahead or back begins anew.</summary>
    public WaitingDays With(DateOnly today)
    {
        if (Days is not [.., var last])
            return new([today]);
        if (today == last)
            return this;
        var leaps = today < last || today.DayNumber - last.DayNumber > MaxOffDays;
        return leaps ? new([today]) : new([.. Days.Append(today).TakeLast(Kept)]);
    }
}
