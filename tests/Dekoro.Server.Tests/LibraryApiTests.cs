using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

public sealed class LibraryApiTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    [Fact]
    public async Task The_same_file_given_many_times_at_once_is_taken_in_once()
    {
        var ids = await Task.WhenAll(
            Enumerable.Range(0, 6).Select(_ => server.TakeInAsync("silk-reds-and-golds.webp"))
        );
        Assert.Single(ids.Distinct());
    }

    [Fact]
    public async Task Words_are_kept_from_the_version_they_began_from()
    {
        var id = await server.TakeInAsync("two-lanterns.jpg");
        Assert.Equal(HttpStatusCode.OK, await PatchAsync(id, 1, new { title = "Two lanterns" }));
        Assert.Equal(HttpStatusCode.Conflict, await PatchAsync(id, 1, new { title = "Three lanterns" }));
        Assert.Equal(HttpStatusCode.BadRequest, await PatchAsync(id, 2, new { title = " " }));
        Assert.Equal(
            HttpStatusCode.BadRequest,
            await PatchAsync(
                id,
                2,
                new
                {
                    keep = new
                    {
                        x = 0.9,
                        y = 0,
                        width = 0.5,
                        height = 1,
                        byHand = true,
                    },
                }
            )
        );
        Assert.Equal("Two lanterns", (string)(await server.GetAsync($"/api/files/{id}"))["file"]!["words"]!["title"]!);
    }

    [Theory]
    [InlineData("size=enormous")]
    [InlineData("size=half&shape=round")]
    [InlineData("size=12")]
    public async Task A_place_that_is_none_is_said_to_be_none(string place) =>
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await server.Http.GetAsync($"/api/files?{place}", TestContext.Current.CancellationToken)).StatusCode
        );

    [Fact]
    public async Task Each_switch_hands_out_the_line_that_finds_as_many_as_it_counts()
    {
        foreach (var file in new[] { "line-reel.jpg", "bunting.svg", "IMG_2291.jpg" })
            await server.TakeInAsync(file);
        foreach (var one in (await server.GetAsync("/api/files?query="))["switches"]!.AsArray())
        {
            var turned = await server.GetAsync($"/api/files?query={Uri.EscapeDataString((string)one!["line"]!)}");
            Assert.Equal((long)one["count"]!, (long)turned["total"]!);
            var same = turned["switches"]!.AsArray().First(s => (string)s!["name"]! == (string)one["name"]!)!;
            Assert.True((bool)same["isOn"]!);
            Assert.Equal("", (string)same["line"]!);
        }
    }

    [Fact]
    public async Task A_swap_changes_every_draft_or_none_and_hands_out_what_puts_it_back()
    {
        var (reel, serpent) = (
            await server.TakeInAsync("line-reel.jpg"),
            await server.TakeInAsync("serpent-small.jpg")
        );
        object Figure(string? alt) => new { type = "figure", attrs = new { asset = reel, alt } };
        var (one, two) = (
            await server.PageAsync("Swap one", Figure("only here")),
            await server.PageAsync("Swap two", ServerFixture.Text("x"), Figure(null))
        );
        var preview = (
            await server.Http.GetFromJsonAsync<JsonArray>(
                $"/api/files/{reel}/swap?with={serpent}",
                TestContext.Current.CancellationToken
            )
        )!;
        Assert.Equal([one, two], preview.Select(p => (string)p!["pageId"]!));
        var before = (await DraftAsync(one), await DraftAsync(two));
        var swapped = await server.PostAsync($"/api/files/{reel}/swap", new { with = serpent });
        Assert.Equal((2, 2), ((int)swapped["places"]!, (int)swapped["pages"]!));
        Assert.DoesNotContain(reel, await DraftAsync(one) + await DraftAsync(two), StringComparison.Ordinal);
        Assert.Equal(2, (int)(await server.PostAsync($"/api/files/{serpent}/swap", swapped["undo"]!))["places"]!);
        Assert.Equal(before, (await DraftAsync(one), await DraftAsync(two)));
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (
                await server.Http.PostAsJsonAsync(
                    $"/api/files/{reel}/swap",
                    new { with = reel },
                    TestContext.Current.CancellationToken
                )
            ).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.Conflict,
            (
                await server.Http.PostAsJsonAsync(
                    $"/api/files/{serpent}/swap",
                    new { with = reel },
                    TestContext.Current.CancellationToken
                )
            ).StatusCode
        );
    }

    [Fact]
    public async Task A_forecast_and_the_ladders_are_of_the_drafts_as_they_stand()
    {
        var reel = await server.TakeInAsync("workshop-window.jpg");
        var id = await server.PageAsync("Forecast", new { type = "figure", attrs = new { asset = reel, size = 200 } });
        var taken = (
            await server.Http.GetFromJsonAsync<JsonArray>(
                $"/api/pages/{id}/forecast?viewportPx=390&pixelRatio=2",
                TestContext.Current.CancellationToken
            )
        )!;
        Assert.Equal(200, (double)taken[0]!["slotCssPx"]!);
        Assert.InRange((int)taken[0]!["widthPx"]!, 400, 1600);
        var ladders = (
            await server.Http.GetFromJsonAsync<JsonArray>(
                "/api/ladders?against=320,9999",
                TestContext.Current.CancellationToken
            )
        )!;
        Assert.All(ladders, l => Assert.True((double)l!["worstRatio"]! <= (double)l["ratioOfOther"]!));
        foreach (
            var bad in new[]
            {
                $"/api/pages/{id}/forecast?viewportPx=0&pixelRatio=2",
                $"/api/pages/{id}/forecast?viewportPx=390&pixelRatio=90",
                "/api/ladders?against=wide",
            }
        )
            Assert.Equal(
                HttpStatusCode.BadRequest,
                (await server.Http.GetAsync(bad, TestContext.Current.CancellationToken)).StatusCode
            );
    }

    private async Task<string> DraftAsync(string page) =>
        (await server.GetAsync($"/api/pages/{page}/draft"))["document"]!.ToJsonString();

    private async Task<HttpStatusCode> PatchAsync(string id, long version, object change)
    {
        var request = new HttpRequestMessage(HttpMethod.Patch, $"/api/files/{id}")
        {
            Content = JsonContent.Create(change),
        };
        request.Headers.IfMatch.Add(new($"\"{version}\""));
        return (await server.Http.SendAsync(request, TestContext.Current.CancellationToken)).StatusCode;
    }
}
