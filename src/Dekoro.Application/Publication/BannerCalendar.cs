using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Banners;
using Dekoro.Intake;

namespace Dekoro.Application.Publication;

/// <summary>The days of all banners, as a calendar for people elsewhere (RFC 5545).</summary>
public sealed class BannerCalendar(Workspace workspace, SiteBanners banners, TimeProvider clock)
{
    /// <summary>As it is now.</summary>
    public string Text() =>
        CalendarWriter.Write(
            workspace.Style.Current.Name,
            banners.Order.All.SelectMany(RunEvent.Of),
            clock.GetUtcNow()
        );
}
