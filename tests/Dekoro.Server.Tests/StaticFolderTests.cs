using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Publication;
using Dekoro.Storage;
using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Time.Testing;

namespace Dekoro.Server.Tests;

public sealed class StaticFolderTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-static").FullName;

    [Fact]
    public void Files_that_are_the_same_already_are_left_alone()
    {
        Assert.Equal(2, StaticFolder.Export(_folder, Site(("index.html", "one"), ("media/aa.webp", "a"))));
        var at = DateTime.UtcNow.AddDays(-1);
        File.SetLastWriteTimeUtc(In("media/aa.webp"), at);
        Assert.Equal(1, StaticFolder.Export(_folder, Site(("index.html", "two"), ("media/aa.webp", "a"))));
        Assert.Equal(at, File.GetLastWriteTimeUtc(In("media/aa.webp")));
        Assert.Equal("two", File.ReadAllText(In("index.html")));
    }

    [Fact]
    public void What_an_earlier_export_left_goes_and_what_belongs_to_others_stays()
    {
        StaticFolder.Export(
            _folder,
            Site(("index.html", "one"), ("visit/index.html", "visit"), ("media/aa.webp", "a"))
        );
        Directory.CreateDirectory(In("theirs/media"));
        File.WriteAllText(In("theirs/index.html"), "theirs");
        File.WriteAllText(In("media/theirs.webp"), "theirs");
        StaticFolder.Export(_folder, Site(("index.html", "one")));
        Assert.False(File.Exists(In("visit/index.html")) || File.Exists(In("media/aa.webp")));
        Assert.True(File.Exists(In("theirs/index.html")) && File.Exists(In("media/theirs.webp")));
    }

    [Fact]
    public void A_list_that_was_tampered_with_leads_nowhere_outside_the_folder()
    {
        var outside = Path.Combine(Path.GetDirectoryName(_folder)!, Path.GetFileName(_folder) + "-outside");
        File.WriteAllText(outside, "kept");
        StaticFolder.Export(_folder, Site(("index.html", "one")));
        File.AppendAllLines(In(".dekoro-files"), ["../" + Path.GetFileName(outside), outside]);
        StaticFolder.Export(_folder, Site(("index.html", "two")));
        Assert.Equal("kept", File.ReadAllText(outside));
        File.Delete(outside);
    }

    [Fact]
    public void What_two_releases_share_is_on_the_disk_once_and_again_as_a_spare()
    {
        using var workspace = Opened();
        var live = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        live.GoLive(Site(("index.html", "one"), ("visit/index.html", "visit")));
        live.GoLive(Site(("index.html", "two"), ("visit/index.html", "visit")));
        Assert.Equal(
            ["one", "two", "visit"],
            Directory
                .EnumerateFiles(Path.Combine(In("data"), "live", "store"), "*", SearchOption.AllDirectories)
                .Select(File.ReadAllText)
                .Where(text => !text.Contains('\n', StringComparison.Ordinal))
                .Order(StringComparer.Ordinal)
        );
        // The one is cut off: visitors get the other, and do not notice.
        foreach (
            var file in Directory.EnumerateFiles(
                Path.Combine(In("data"), "live", "store"),
                "*",
                SearchOption.AllDirectories
            )
        )
            File.WriteAllText(file, "");
        var again = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.Equal("visit", File.ReadAllText(again.PathOf("visit/index.html")!));
        Assert.Equal("", again.Damage);
    }

    [Fact]
    public void A_site_that_an_earlier_version_wrote_into_a_folder_is_served_until_the_next_takes_its_place()
    {
        using (Opened()) { }
        var folder = Directory.CreateDirectory(Path.Combine(In("data"), "live", "0123456789abcdef0123")).FullName;
        Directory.CreateDirectory(Path.Combine(folder, "visit"));
        File.WriteAllText(Path.Combine(folder, "index.html"), "earlier");
        File.WriteAllText(Path.Combine(folder, "visit", "index.html"), "earlier visit");
        File.WriteAllText(folder + ".files", "");
        File.WriteAllText(Path.Combine(In("data"), "live", "current"), "0123456789abcdef0123\n");
        using var workspace = Opened();
        var live = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.Equal("earlier visit", File.ReadAllText(live.PathOf("visit/index.html")!));
        Assert.Null(live.PathOf("../current"));
        live.GoLive(Site(("index.html", "now")));
        Assert.Equal("now", File.ReadAllText(live.PathOf("index.html")!));
        Assert.Null(live.PathOf("visit/index.html"));
        Assert.False(Directory.Exists(folder));
    }

    [Fact]
    public void What_no_kept_release_names_is_swept_away_after_a_day_and_nothing_else()
    {
        using var workspace = Opened();
        var live = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        for (var i = 0; i < 9; i++)
            live.GoLive(Site(("index.html", $"front {i}"), ("visit/index.html", "visit")));
        live.Sweep(DateTime.UtcNow.AddDays(1));
        Assert.Equal("front 8", File.ReadAllText(live.PathOf("index.html")!));
        Assert.Equal("visit", File.ReadAllText(live.PathOf("visit/index.html")!));
        var left = Directory
            .EnumerateFiles(Path.Combine(In("data"), "live", "store"), "*", SearchOption.AllDirectories)
            .Select(File.ReadAllText)
            .Where(text => text.StartsWith("front", StringComparison.Ordinal));
        // The last ones stay, to go back to.
        Assert.Equal(["front 4", "front 5", "front 6", "front 7", "front 8"], left.Order(StringComparer.Ordinal));
    }

    [Fact]
    public void The_live_site_changes_in_one_step_and_survives_a_process_that_ended_in_between()
    {
        using var workspace = Opened();
        var live = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.False(live.IsThere);
        var (release, written) = live.GoLive(Site(("index.html", "one"), ("media/aa.webp", "a")));
        Assert.Equal((2, "one"), (written, File.ReadAllText(live.PathOf("index.html")!)));
        // A next release was being written when the power went.
        live.Keep(Site(("index.html", "half")));
        var again = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.Equal("one", File.ReadAllText(again.PathOf("index.html")!));
        Assert.Equal(1, again.GoLive(Site(("index.html", "two"), ("media/aa.webp", "a"))).Written);
        Assert.Equal("two", File.ReadAllText(again.PathOf("index.html")!));
        // Going back to what was public before writes nothing at all.
        Assert.Equal((release, 0), again.GoLive(Site(("index.html", "one"), ("media/aa.webp", "a"))));
        Assert.Null(again.PathOf("../../dekoro.db"));
    }

    [Fact]
    public void A_site_that_was_written_whole_and_never_served_is_not_met_after_the_next_start()
    {
        using var workspace = Opened();
        // Ended between writing and the swap, when nothing was public yet, and with a site that was.
        var never = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        never.Write([never.Keep(Site(("index.html", "never public")))]);
        var first = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.Equal((false, ""), (first.IsThere, first.Damage));
        first.GoLive(Site(("index.html", "public")));
        first.Write([first.Keep(Site(("index.html", "the next")))]);
        var second = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.Equal("public", File.ReadAllText(second.PathOf("index.html")!));
    }

    [Fact]
    public void What_is_made_ahead_takes_its_place_at_its_time_and_goes_with_what_it_was_made_for()
    {
        using var workspace = Opened();
        var clock = new FakeTimeProvider(new DateTimeOffset(2026, 11, 26, 0, 0, 0, TimeSpan.Zero));
        var live = new LiveSite(workspace, clock, NullLogger<LiveSite>.Instance);
        live.GoLive(
            Site(("index.html", "now"), ("media/aa.webp", "a")),
            (clock.GetUtcNow().AddDays(1), Site(("index.html", "tomorrow"), ("media/aa.webp", "a")))
        );
        Assert.Equal(("now", "a"), (Read("index.html"), Read("media/aa.webp")));
        var before = live.Release;
        live = new LiveSite(workspace, clock, NullLogger<LiveSite>.Instance);
        clock.Advance(TimeSpan.FromDays(1));
        Assert.Equal(("tomorrow", "a"), (Read("index.html"), Read("media/aa.webp")));
        Assert.NotEqual(before, live.Release);
        // What became another by itself had gone live all the same.
        Assert.True(live.HasGoneLive(before));
        Assert.False(live.HasGoneLive("another"));
        live.GoLive(Site(("index.html", "published anew")));
        Assert.False(live.HasGoneLive(before));
        clock.Advance(TimeSpan.FromDays(9));
        Assert.Equal("published anew", Read("index.html"));

        string Read(string address) => File.ReadAllText(live.PathOf(address)!);
    }

    private Workspace Opened() => new(new DataOptions(In("data"), null, null), TimeProvider.System, DiskLayer.Instance);

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private string Write(string name, string content)
    {
        File.WriteAllText(In(name), content);
        return In(name);
    }

    private string In(string name) => Path.Combine(_folder, name);

    private static Dictionary<string, SiteFile> Site(params (string Name, string Content)[] files) =>
        WholeSites.Site(files);
}
