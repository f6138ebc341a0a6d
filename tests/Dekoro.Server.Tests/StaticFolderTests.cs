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
        Assert.Equal(2, StaticFolder.Export(_folder, Site(("index.html", "one"), ("media/a.webp", "a"))));
        var at = DateTime.UtcNow.AddDays(-1);
        File.SetLastWriteTimeUtc(In("media/a.webp"), at);
        Assert.Equal(1, StaticFolder.Export(_folder, Site(("index.html", "two"), ("media/a.webp", "a"))));
        Assert.Equal(at, File.GetLastWriteTimeUtc(In("media/a.webp")));
        Assert.Equal("two", File.ReadAllText(In("index.html")));
    }

    [Fact]
    public void What_an_earlier_export_left_goes_and_what_belongs_to_others_stays()
    {
        StaticFolder.Export(_folder, Site(("index.html", "one"), ("visit/index.html", "visit"), ("media/a.webp", "a")));
        Directory.CreateDirectory(In("theirs/media"));
        File.WriteAllText(In("theirs/index.html"), "theirs");
        File.WriteAllText(In("media/theirs.webp"), "theirs");
        StaticFolder.Export(_folder, Site(("index.html", "one")));
        Assert.False(File.Exists(In("visit/index.html")) || File.Exists(In("media/a.webp")));
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
    public void Equal_files_of_two_releases_are_one_on_the_disk()
    {
        var (first, second) = (
            Directory.CreateDirectory(In("first")).FullName,
            Directory.CreateDirectory(In("second")).FullName
        );
        var picture = SiteFile.At(Write("made.webp", "a"));
        StaticFolder.WriteInto(
            first,
            new Dictionary<string, SiteFile>(Site(("index.html", "one"))) { ["media/a.webp"] = picture },
            DiskLayer.Instance
        );
        Assert.Equal(
            1,
            StaticFolder.WriteInto(
                second,
                new Dictionary<string, SiteFile>(Site(("index.html", "two"))) { ["media/a.webp"] = picture },
                DiskLayer.Instance,
                sameFrom: first
            )
        );
        Assert.Equal("a", File.ReadAllText(Path.Combine(second, "media/a.webp")));
        // The first release goes, as old ones do; the second still has its file.
        Directory.Delete(first, recursive: true);
        Assert.Equal("a", File.ReadAllText(Path.Combine(second, "media/a.webp")));
    }

    [Fact]
    public void The_live_site_changes_in_one_step_and_survives_a_process_that_ended_in_between()
    {
        using var workspace = new Workspace(
            new DataOptions(In("data"), null, null),
            TimeProvider.System,
            DiskLayer.Instance
        );
        var live = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.False(live.IsThere);
        var (release, written) = live.GoLive(Site(("index.html", "one"), ("media/a.webp", "a")));
        Assert.Equal((2, "one"), (written, File.ReadAllText(live.PathOf("index.html")!)));
        // Half of a next release was being built when the power went.
        var half = Directory.CreateDirectory(Path.Combine(In("data"), "live", "0123.building"));
        File.WriteAllText(Path.Combine(half.FullName, "index.html"), "half");
        var again = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.Equal("one", File.ReadAllText(again.PathOf("index.html")!));
        Assert.Equal(1, again.GoLive(Site(("index.html", "two"), ("media/a.webp", "a"))).Written);
        Assert.Equal("two", File.ReadAllText(again.PathOf("index.html")!));
        // Going back to what was public before writes nothing at all.
        Assert.Equal((release, 0), again.GoLive(Site(("index.html", "one"), ("media/a.webp", "a"))));
        Assert.Null(again.PathOf("../../dekoro.db"));
    }

    [Fact]
    public void A_site_that_was_written_whole_and_never_served_is_not_met_after_the_next_start()
    {
        using var workspace = new Workspace(
            new DataOptions(In("data"), null, null),
            TimeProvider.System,
            DiskLayer.Instance
        );
        // Ended between writing and the swap, when nothing was public yet, and with a site that was.
        new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance).Write(
            Site(("index.html", "never public"))
        );
        var first = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.Equal((false, ""), (first.IsThere, first.Damage));
        first.GoLive(Site(("index.html", "public")));
        first.Write(Site(("index.html", "the next")));
        var second = new LiveSite(workspace, TimeProvider.System, NullLogger<LiveSite>.Instance);
        Assert.Equal("public", File.ReadAllText(second.PathOf("index.html")!));
    }

    [Fact]
    public void What_is_made_ahead_takes_its_place_at_its_time_and_goes_with_what_it_was_made_for()
    {
        using var workspace = new Workspace(
            new DataOptions(In("data"), null, null),
            TimeProvider.System,
            DiskLayer.Instance
        );
        var clock = new FakeTimeProvider(new DateTimeOffset(2026, 11, 26, 0, 0, 0, TimeSpan.Zero));
        var live = new LiveSite(workspace, clock, NullLogger<LiveSite>.Instance);
        live.GoLive(
            Site(("index.html", "now"), ("media/a.webp", "a")),
            [new(clock.GetUtcNow().AddDays(1), Site(("index.html", "tomorrow"), ("media/a.webp", "a")))]
        );
        Assert.Equal(("now", "a"), (Read("index.html"), Read("media/a.webp")));
        var before = live.Release;
        live = new LiveSite(workspace, clock, NullLogger<LiveSite>.Instance);
        clock.Advance(TimeSpan.FromDays(1));
        Assert.Equal(("tomorrow", "a"), (Read("index.html"), Read("media/a.webp")));
        Assert.NotEqual(before, live.Release);
        // What became another by itself had gone live all the same.
        Assert.True(live.HasGoneLive(before));
        Assert.False(live.HasGoneLive("another"));
        live.GoLive(Site(("index.html", "published anew")));
        Assert.False(live.HasGoneLive(before));
        clock.Advance(TimeSpan.FromDays(9));
        Assert.Equal("published anew", Read("index.html"));
        Assert.DoesNotContain(Directory.EnumerateDirectories(Path.Combine(In("data"), "live")), d =>
            Path.GetFileName(d).StartsWith("later-", StringComparison.Ordinal)
        );

        string Read(string address) => File.ReadAllText(live.PathOf(address)!);
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private string Write(string name, string content)
    {
        File.WriteAllText(In(name), content);
        return In(name);
    }

    private string In(string name) => Path.Combine(_folder, name);

    private static Dictionary<string, SiteFile> Site(params (string Name, string Content)[] files) =>
        files.ToDictionary(f => f.Name, f => SiteFile.Of(Encoding.UTF8.GetBytes(f.Content)));
}
