using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.Extensions.Time.Testing;
using NodaTime;
using NodaTime.Text;

namespace Dekoro.Server.Tests;

/// <summary>Banners stand at the top of the public pages on their days, by themselves.</summary>
public sealed partial class BannerTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static object BandOf(string title, string? picture) =>
        new
        {
            type = "band",
            attrs = new
            {
                id = "banner",
                picture,
                colour = picture is null ? "#143c58" : null,
                words = "light",
            },
            content = new object[]
            {
                new
                {
                    type = "heading",
                    attrs = new { id = "banner-title", level = 2 },
                    content = new[] { new { type = "text", text = title } },
                },
            },
        };

    private static object Banner(string name, string? picture, string from, string until, bool yearly = false) =>
        new
        {
            name,
            targets = new[] { new { kind = "pages", name = "" } },
            band = BandOf(name, picture),
            from,
            until,
            yearly,
            isStanding = from.Length == 0,
        };

    [Theory]
    [InlineData("Europe/London")]
    [InlineData("America/New_York")]
    [InlineData("Pacific/Auckland")]
    public async Task The_strip_and_the_view_of_a_day_show_what_the_public_site_shows_on_that_day(string zone)
    {
        var at = DateTimeZoneProviders.Tzdb[zone];
        var clock = new FakeTimeProvider(NoonOf(new(2026, 3, 1)));
        var server = new ServerFixture { Clock = clock };
        await server.InitializeAsync();
        var style = await server.GetAsync("/api/site/style");
        style["values"]!["zone"] = zone;
        await server.SendAsync(HttpMethod.Put, "/api/site/style", new { values = style["values"] });
        var page = await server.PageAsync("Home", ServerFixture.Text("As published."));
        foreach (
            var banner in new[]
            {
                Banner("Always", null, "", ""),
                Banner("Summer", null, "2026-06-01", "2026-08-31"),
                Banner("Winter", null, "2026-11-20", "2027-01-10", yearly: true),
                Banner("Lanterns", null, "2026-08-05", "2026-08-05"),
            }
        )
            await server.PostAsync("/api/banners", banner);
        var done = await server.PostAsync("/api/publish");
        Assert.Contains("by itself on 1 June 2026", (string)done["progress"]!["sentence"]!, StringComparison.Ordinal);
        var strip = await server.PostAsync("/api/banners/year", new { pageId = page, year = 2026 });
        var names = (await server.GetAsync("/api/banners"))["items"]!
            .AsArray()
            .ToDictionary(b => (string)b!["id"]!, b => (string)b!["values"]!["name"]!);
        foreach (var span in strip["shown"]!.AsArray())
        foreach (var written in new[] { (string)span!["first"]!, (string)span["last"]! }.Distinct())
        {
            var day = LocalDatePattern.Iso.Parse(written).Value;
            if (day < new LocalDate(2026, 3, 1))
                continue;
            var due = names[(string)span["bannerId"]!];
            Assert.Equal(due, TitleIn(await server.Http.GetStringAsync($"/proof/{page}?desk&day={written}", Stop)));
            // From the first moment of the day to its last.
            foreach (var moment in new[] { at.AtStartOfDay(day).ToInstant(), EndOf(day) })
            {
                clock.SetUtcNow(moment.ToDateTimeOffset());
                Assert.Equal(due, TitleIn(await server.Http.GetStringAsync("/live/", Stop)));
            }
        }
        await server.DisposeAsync();

        DateTimeOffset NoonOf(LocalDate day) => at.AtLeniently(day.At(new(12, 0))).ToDateTimeOffset();
        Instant EndOf(LocalDate day) => at.AtStartOfDay(day.PlusDays(1)).ToInstant() - Duration.FromSeconds(1);
    }

    [Fact]
    public async Task A_banner_counts_where_pictures_are_used_is_swapped_with_them_and_makes_its_pages_changed()
    {
        var server = new ServerFixture();
        await server.InitializeAsync();
        var (kite, reel) = (await server.TakeInAsync("box-kite.jpg"), await server.TakeInAsync("line-reel.jpg"));
        var page = await server.PageAsync("Home", ServerFixture.Text("As published."));
        await server.PostAsync("/api/publish");
        Assert.Equal("published", await StateAsync());
        var made = await server.PostAsync("/api/banners", Banner("Kites", kite, "2020-01-01", "2099-01-01"));
        Assert.Equal("changed", await StateAsync());
        var preview = await server.GetAsync("/api/publish");
        Assert.Contains("its banners", preview.ToJsonString(), StringComparison.Ordinal);
        var places = (await server.GetAsync($"/api/files/{kite}"))["standsIn"]!.AsArray();
        Assert.Equal(["Kites"], places.Select(p => (string)p!["pageTitle"]!));
        var (status, _) = await server.SendAsync(
            HttpMethod.Post,
            $"/api/files/{kite}/swap",
            new { with = reel, places = (object?)null }
        );
        Assert.Equal(HttpStatusCode.OK, status);
        var now = await server.GetAsync($"/api/banners/{made["id"]}");
        Assert.Equal(reel, (string)now["values"]!["band"]!["attrs"]!["picture"]!);
        Assert.Equal(2, (int)now["version"]!);
        await server.PostAsync("/api/publish");
        Assert.Equal("published", await StateAsync());
        Assert.Contains("class=\"banner\"", await server.Http.GetStringAsync("/live/", Stop), StringComparison.Ordinal);
        await server.DisposeAsync();

        async Task<string> StateAsync() =>
            (string)
                JsonNode
                    .Parse(await server.Http.GetStringAsync("/api/pages", Stop))!
                    .AsArray()
                    .First(p => (string)p!["id"]! == page)!["state"]!;
    }

    [Fact]
    public async Task Words_over_what_has_to_be_seen_and_words_for_more_than_a_glance_are_said_and_history_keeps_both()
    {
        var server = new ServerFixture();
        await server.InitializeAsync();
        var kite = await server.TakeInAsync("box-kite.jpg");
        var page = await server.PageAsync("Home", ServerFixture.Text("Here."));
        var made = await server.PostAsync("/api/banners", Banner("Kites", kite, "2026-01-01", ""));
        Assert.Empty(await NoticesAsync("stand over"));
        // The face, say, is where the title stands on a phone.
        var (status, _) = await server.SendAsync(
            HttpMethod.Patch,
            $"/api/files/{kite}",
            new
            {
                keep = new
                {
                    x = 0.05,
                    y = 0.48,
                    width = 0.15,
                    height = 0.06,
                },
            },
            version: 1
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Single(await NoticesAsync("stand over"));
        var longer = Banner(new string('k', 80), kite, "2026-01-01", "");
        var (kept, _) = await server.SendAsync(HttpMethod.Put, $"/api/banners/{made["id"]}", longer, 1);
        Assert.Equal(HttpStatusCode.OK, kept);
        Assert.Single(await NoticesAsync("a glance"));
        var states = JsonNode
            .Parse(await server.Http.GetStringAsync($"/api/banners/{made["id"]}/states", Stop))!
            .AsArray();
        Assert.Equal(["Kites"], states.Where(s => !(bool)s!["isNow"]!).Select(s => (string)s!["title"]!));
        var then = await server.Http.GetStringAsync(
            $"/proof/{page}?desk&banner={made["id"]}&bannerState={states.Last()!["version"]}",
            Stop
        );
        Assert.Equal("Kites", TitleIn(then));
        var back = await server.PostAsync($"/api/banners/{made["id"]}/states/{states.Last()!["version"]}/restore");
        Assert.Equal("Kites", (string)back["values"]!["name"]!);
        await server.DisposeAsync();

        async Task<IEnumerable<string>> NoticesAsync(string with) =>
            (await server.GetAsync($"/api/banners/{made["id"]}/look?page={page}"))["notices"]!
                .AsArray()
                .Select(n => (string)n!)
                .Where(n => n.Contains(with, StringComparison.Ordinal));
    }

    [Fact]
    public async Task Two_windows_four_hundred_banners_and_values_that_cannot_be_are_answered_in_a_sentence()
    {
        var server = new ServerFixture();
        await server.InitializeAsync();
        var page = await server.PageAsync("Home", ServerFixture.Text("Here."));
        var made = await server.PostAsync("/api/banners", Banner("One", null, "2026-01-01", "2026-02-01"));
        var id = (string)made["id"]!;
        Assert.Equal(HttpStatusCode.OK, await ChangeAsync(1, "Two"));
        Assert.Equal(HttpStatusCode.Conflict, await ChangeAsync(1, "Three"));
        Assert.Equal("Two", (string)(await server.GetAsync($"/api/banners/{id}"))["values"]!["name"]!);
        var (refused, why) = await server.SendAsync(
            HttpMethod.Post,
            "/api/banners",
            Banner("Back to front", null, "2026-02-01", "2026-01-01")
        );
        Assert.Equal((HttpStatusCode.BadRequest, "dates"), (refused, (string)why["field"]!));
        for (var i = 1; i < Dekoro.Core.Banners.Banner.MaxCount; i++)
            await server.PostAsync(
                "/api/banners",
                Banner(i.ToString(CultureInfo.InvariantCulture), null, "2026-01-01", "2026-02-01")
            );
        var (full, _) = await server.SendAsync(HttpMethod.Post, "/api/banners", Banner("More", null, "", ""));
        Assert.Equal(HttpStatusCode.Conflict, full);
        var strip = await server.PostAsync("/api/banners/year", new { pageId = page, year = 2026 });
        Assert.Equal(399, strip["unseen"]!.AsObject().Count);
        await server.DisposeAsync();

        async Task<HttpStatusCode> ChangeAsync(int version, string name) =>
            (
                await server.SendAsync(
                    HttpMethod.Put,
                    $"/api/banners/{id}",
                    Banner(name, null, "2026-01-01", "2026-02-01"),
                    version
                )
            ).Status;
    }

    private static string TitleIn(string html) => Heading().Match(html).Groups[1].Value;

    [GeneratedRegex("<h2 id=\"banner-title\"[^>]*>([^<]*)</h2>")]
    private static partial Regex Heading();
}
