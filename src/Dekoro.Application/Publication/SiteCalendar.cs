using Dekoro.Application.Hosting;
using NodaTime;

namespace Dekoro.Application.Publication;

/// <summary>The day it is where the site is at home.</summary>
public sealed class SiteCalendar(Workspace workspace, TimeProvider clock)
{
    private DateTimeZone Zone =>
        DateTimeZoneProviders.Tzdb.GetZoneOrNull(workspace.Style.Current.Zone) ?? DateTimeZone.Utc;

    /// <summary>The day it is where the site is.</summary>
    public LocalDate Today => DayOf(clock.GetUtcNow());

    /// <summary>The day it is there at a moment.</summary>
    public LocalDate DayOf(DateTimeOffset moment) => Instant.FromDateTimeOffset(moment).InZone(Zone).Date;

    /// <summary>When a day begins there; where clocks are set on at midnight, that is later than 0:00.</summary>
    public DateTimeOffset StartOf(LocalDate day) => Zone.AtStartOfDay(day).ToDateTimeOffset();
}
