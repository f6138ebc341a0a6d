using NodaTime;

namespace Dekoro.Core.Calendar;

/// <summary>Days that follow one another; both ends count.</summary>
public readonly record struct DayRange(LocalDate From, LocalDate Until);
