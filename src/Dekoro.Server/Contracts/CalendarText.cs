namespace Dekoro.Server.Contracts;

/// <summary>A calendar as it was exported elsewhere (RFC 5545).</summary>
public sealed record CalendarText(string Text);
