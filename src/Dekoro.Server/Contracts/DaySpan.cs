namespace Dekoro.Server.Contracts;

/// <summary>Days that follow one another, counted from the first of the year, which is 0.</summary>
/// <param name="First">As 2026-12-01.</param>
/// <param name="Begins">It begins there, and does not only come into the year.</param>
/// <param name="Ends">It ends there, and does not go on over the end of the year.</param>
public sealed record DaySpan(int FromDay, int Days, string First, string Last, bool Begins, bool Ends);
