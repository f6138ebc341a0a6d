using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Dekoro.Application.Publication;
using Microsoft.Extensions.Time.Testing;

namespace Dekoro.Server.Tests;

/// <summary>
/// What is dated comes and goes on the public site by itself, when the day begins where the site is at home.
/// </summary>
public sealed partial class DatedTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_day_whose_midnight_is_skipped_begins_when_it_begins_and_not_an_hour_before()
    {
        // In Santiago clocks went from 0:00 to 1:00 on 8 September 2024 (4:00 UTC).
        var clock = new FakeTimeProvider(new DateTimeOffset(2024, 9, 8, 3, 59, 59, TimeSpan.Zero));
        var server = new ServerFixture { Clock = clock };
        await server.InitializeAsync();
        var style = await server.GetAsync("/api/site/style");
        style["values"]!["zone"] = "America/Santiago";
        Assert.Equal(
            HttpStatusCode.OK,
            (await server.SendAsync(HttpMethod.Put, "/api/site/style", new { values = style["values"] })).Status
        );
        var days = (Dekoro.Application.Publication.SiteCalendar)
            server.Services.GetService(typeof(Dekoro.Application.Publication.SiteCalendar))!;
        var (before, skipped) = (new NodaTime.LocalDate(2024, 9, 7), new NodaTime.LocalDate(2024, 9, 8));
        Assert.Equal(before, days.Today);
        clock.Advance(TimeSpan.FromSeconds(1));
        Assert.Equal(skipped, days.Today);
        Assert.Equal(clock.GetUtcNow(), days.StartOf(skipped));
        await server.DisposeAsync();
    }

    [Fact]
    public async Task A_dated_slide_comes_and_goes_by_itself_and_takes_nobodys_draft_along()
    {
        var clock = new FakeTimeProvider(new DateTimeOffset(2026, 11, 26, 12, 0, 0, TimeSpan.Zero));
        var server = new ServerFixture { Clock = clock };
        await server.InitializeAsync();
        var style = await server.GetAsync("/api/site/style");
        style["values"]!["zone"] = "America/New_York";
        Assert.Equal(
            HttpStatusCode.OK,
            (await server.SendAsync(HttpMethod.Put, "/api/site/style", new { values = style["values"] })).Status
        );
        var (door, ring) = (await server.TakeInAsync("museum-door.jpg"), await server.TakeInAsync("bridle-ring.jpg"));
        var look = await server.PostAsync(
            "/api/arrangements",
            new { name = "Welcome", pictures = new[] { door, ring } }
        );
        var values = look["values"]!;
        (values["kind"], values["items"]![1]!["from"], values["items"]![1]!["until"]) = (
            "slider",
            "2026-12-24",
            "2026-12-26"
        );
        using var put = new HttpRequestMessage(HttpMethod.Put, $"/api/arrangements/{look["id"]}")
        {
            Content = JsonContent.Create(values),
        };
        put.Headers.TryAddWithoutValidation("If-Match", $"\"{look["version"]}\"");
        using var kept = await server.Http.SendAsync(put, Stop);
        var told = (await kept.Content.ReadFromJsonAsync<JsonObject>(Stop))!["dated"]![
            (string)values["items"]![1]!["id"]!
        ]!;
        Assert.Equal((false, "not shown before 24 December 2026"), ((bool)told["isShown"]!, (string)told["words"]!));
        object set = new
        {
            type = "arrangement",
            attrs = new
            {
                id = "set",
                arrangement = (string)look["id"]!,
                reach = "wide",
            },
        };
        var page = await server.PageAsync("Home", set, ServerFixture.Text("As published."));
        var done = await server.PostAsync("/api/publish");
        Assert.EndsWith(
            "It becomes another by itself on 24 December 2026.",
            (string)done["progress"]!["sentence"]!,
            StringComparison.Ordinal
        );
        Assert.Equal(
            ["24 December 2026", "27 December 2026"],
            (await server.GetAsync("/api/publish"))["ahead"]!.AsArray().Select(day => (string)day!)
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (await server.PutAsync(page, 2, "Home", set, ServerFixture.Text("Not published yet."))).StatusCode
        );

        Assert.Equal(1, await SlidesAsync());
        // 24 December begins at 5:00 UTC in New York.
        clock.SetUtcNow(new(2026, 12, 24, 4, 59, 0, TimeSpan.Zero));
        Assert.Equal(1, await SlidesAsync());
        clock.SetUtcNow(new(2026, 12, 24, 5, 0, 0, TimeSpan.Zero));
        Assert.Equal(2, await SlidesAsync());
        clock.SetUtcNow(new(2026, 12, 27, 5, 0, 0, TimeSpan.Zero));
        Assert.Equal(1, await SlidesAsync());
        await server.DisposeAsync();

        async Task<int> SlidesAsync()
        {
            var html = await server.Http.GetStringAsync(new Uri("/live/", UriKind.Relative), Stop);
            Assert.Contains("As published.", html, StringComparison.Ordinal);
            foreach (var file in Media().Matches(html).Select(m => m.Value).Distinct())
            {
                using var answer = await server.Http.GetAsync(new Uri("/live/" + file, UriKind.Relative), Stop);
                Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            }
            return Slide().Count(html);
        }
    }

    [GeneratedRegex("media/[\\w.-]+")]
    private static partial Regex Media();

    [GeneratedRegex("role=\"listitem\"")]
    private static partial Regex Slide();
}
