namespace Dekoro.Core.Calendar;

/// <summary>Dates, or the sentence that says why they cannot be; both null where nothing is dated.</summary>
public sealed record RunDatesReading(RunDates? Dates, string? Sentence);
