using System.Security.Cryptography;
using Dekoro.Application.Changes;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Banners;
using Dekoro.Core.Colour;
using Result = Dekoro.Application.Changes.ChangeResult<string>;

namespace Dekoro.Application.Drafts;

/// <summary>Makes, changes, orders and takes away banners; each answers with the id.</summary>
public sealed class BannerChanges(
    Workspace workspace,
    SiteBanners banners,
    Events events,
    BackgroundWork background,
    Person person,
    TimeProvider clock
) : ContentChanges(workspace.Banners, Thing.Banner, events, background, person, clock)
{
    private readonly BackgroundWork _background = background;

    /// <summary>A new one, before all others.</summary>
    public Result Make(BannerValues values)
    {
        if (workspace.Banners.All().Count >= Banner.MaxCount)
            return new Result.Conflict($"A site has at most {Banner.MaxCount} banners: remove one first.");
        var id = RandomNumberGenerator.GetHexString(10, lowercase: true);
        var reading = values.Check(id);
        if (reading.Banner is not { } banner)
            return new Result.Refused(reading.Field, reading.Sentence!);
        workspace.Banners.Add(id, BannerValues.Of(banner).Write(), Now);
        workspace.Banners.PutFirst(id);
        Tell(id, 1);
        _background.Prepare();
        return new Result.Done(id);
    }

    /// <summary>A new one, right without touching anything.</summary>
    public Result Begin(BannerBeginning beginning) =>
        Make(beginning.With(Srgb.Parse(workspace.Style.Current.Colours.Bar)));

    /// <summary>Another of the same, before all others.</summary>
    public Result Duplicate(string id) =>
        workspace.Banners.Find(id) is { } row
            ? Make(BannerValues.Read(row.Content).Again())
            : new Result.NotThere(Thing.Banner);

    /// <param name="version">From which the change started.</param>
    public Result Change(string id, long version, BannerValues values)
    {
        if (workspace.Banners.Find(id) is null)
            return new Result.NotThere(Thing.Banner);
        var reading = values.Check(id);
        return reading.Banner is { } banner
            ? Keep(id, version, BannerValues.Of(banner).Write())
            : new Result.Refused(reading.Field, reading.Sentence!);
    }

    /// <summary>Those before others show first.</summary>
    public void Order(IReadOnlyList<string> ids)
    {
        workspace.Banners.PutInOrder(ids);
        Tell("", 0);
        _background.Prepare();
    }

    /// <summary>Whether the days of banners are to be had as a calendar at an address of its own.</summary>
    public void OfferCalendar(bool isOn) => banners.HasCalendarAddress = isOn;

    /// <summary>It waits to be put back, and nothing of it is lost.</summary>
    public Result TakeAway(string id) => Moved(id, workspace.Banners.TakeAway(id, Now));
}
