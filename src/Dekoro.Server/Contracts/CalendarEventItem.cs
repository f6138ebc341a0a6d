namespace Dekoro.Server.Contracts;

/// <summary>An event read from a calendar, of which a banner can be made.</summary>
/// <param name="From">Its first day, as 2026-12-01.</param>
/// <param name="Until">Its last day.</param>
public sealed record CalendarEventItem(string Name, string From, string Until, bool Yearly);
