namespace Dekoro.Server.Contracts;

/// <summary>Whether the days of banners can be had at an address.</summary>
public sealed record CalendarSwitch(bool IsOn);
