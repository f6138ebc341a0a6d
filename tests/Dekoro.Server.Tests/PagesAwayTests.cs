using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Dekoro.Server.Tests;

/// <summary>Pages are duplicated, removed, and had back as they were; what waits is on no public site.</summary>
public sealed class PagesAwayTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private async Task<IReadOnlyList<string>> TitlesAsync(string path) =>
        [.. (await server.Http.GetFromJsonAsync<JsonArray>(path, Stop))!.Select(one => (string)one!["title"]!)];

    private async Task<string> LiveAsync(string path) =>
        await (await server.Http.GetAsync($"/live/{path}", Stop)).Content.ReadAsStringAsync(Stop);

    [Fact]
    public async Task A_removed_page_waits_with_all_on_it_goes_with_the_next_publishing_and_comes_back_as_it_was()
    {
        await server.PageAsync("Front", ServerFixture.Text("Here."));
        var id = await server.PageAsync("Old news", ServerFixture.Text("Of last year."));
        var leading = await server.PageAsync(
            "Leading",
            new
            {
                type = "paragraph",
                content = new[]
                {
                    new
                    {
                        type = "text",
                        text = "Last year",
                        marks = new[] { new { type = "link", attrs = new { href = $"page:{id}" } } },
                    },
                },
            }
        );
        await server.PostAsync("/api/publish");
        Assert.Contains("Of last year.", await LiveAsync("old-news/"), StringComparison.Ordinal);

        Assert.Equal(HttpStatusCode.NoContent, (await server.Http.DeleteAsync($"/api/pages/{id}", Stop)).StatusCode);
        Assert.DoesNotContain("Old news", await TitlesAsync("/api/pages"));
        Assert.Contains("Old news", await TitlesAsync("/api/pages/away"));
        Assert.Equal(HttpStatusCode.NotFound, (await server.Http.GetAsync($"/api/pages/{id}/draft", Stop)).StatusCode);
        // Visitors have it until it is published, and the sheet says that it goes.
        var preview = await server.GetAsync("/api/publish");
        Assert.Equal("off", (string?)preview["pages"]!.AsArray().Single(p => (string?)p!["id"] == id)!["change"]);
        Assert.Equal(
            "The menu of every page changes: “Old news” goes.",
            (string?)Assert.Single(preview["round"]!.AsArray())
        );
        Assert.Contains(
            "Its link to “Old news” goes",
            (string)Assert.Single(preview["pages"]!.AsArray(), p => (string?)p!["id"] == leading)!["notices"]![0]!,
            StringComparison.Ordinal
        );
        await server.PostAsync("/api/publish");
        Assert.DoesNotContain("Of last year.", await LiveAsync("old-news/"), StringComparison.Ordinal);
        Assert.Equal(0, (int)(await server.GetAsync("/api/publish"))["changes"]!);

        (await server.Http.PostAsync($"/api/pages/{id}/back", null, Stop)).EnsureSuccessStatusCode();
        Assert.Empty(await TitlesAsync("/api/pages/away"));
        await server.PostAsync("/api/publish");
        Assert.Contains("Of last year.", await LiveAsync("old-news/"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_front_page_stays_and_a_copy_holds_what_its_page_held()
    {
        // Whichever page of this site was made first is its front page.
        await server.PageAsync("Second or first", ServerFixture.Text("Here."));
        var pages = (await server.Http.GetFromJsonAsync<JsonArray>("/api/pages", Stop))!;
        var front = (string)pages.Single(p => (string?)p!["path"] == "")!["id"]!;
        var held = await server.GetAsync($"/api/pages/{front}/draft");
        var (status, problem) = await server.SendAsync(HttpMethod.Delete, $"/api/pages/{front}");
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.EndsWith(".", (string)problem["detail"]!, StringComparison.Ordinal);

        var copy = await server.PostAsync($"/api/pages/{front}/copy");
        Assert.Equal($"{held["title"]}, copy", (string?)copy["title"]);
        var draft = await server.GetAsync($"/api/pages/{copy["id"]}/draft");
        Assert.Equal(Words(held), Words(draft));
        Assert.NotEmpty(Words(held));
        Assert.NotEqual("", (string?)draft["path"]);

        static string[] Words(JsonObject draft) =>
            [.. Regex.Matches(draft["document"]!.ToJsonString(), "\"text\":\"[^\"]*").Select(words => words.Value)];
    }

    [Fact]
    public async Task Posts_are_put_in_the_order_of_their_days_and_no_page_has_one()
    {
        foreach (var (title, day) in new[] { ("Storm", "2026-03-12"), ("Lanterns", "2026-11-16"), ("Undated", "") })
        {
            var id = (string)
                (await server.SendAsync(HttpMethod.Post, "/api/pages", new { kind = "post", title })).Body["id"]!;
            Assert.Equal(HttpStatusCode.NoContent, await DateAsync(id, day));
            Assert.Equal(HttpStatusCode.BadRequest, await DateAsync(id, "2026-02-30"));
        }
        await server.Http.PostAsync("/api/pages/newest-first", null, Stop);
        Assert.Equal(
            ["Lanterns", "Storm", "Undated"],
            (await TitlesAsync("/api/pages")).Where(t => t is "Lanterns" or "Storm" or "Undated")
        );
        var page = await server.PageAsync("No news", ServerFixture.Text("Here."));
        Assert.Equal(HttpStatusCode.BadRequest, await DateAsync(page, "2026-03-12"));

        async Task<HttpStatusCode> DateAsync(string id, string date) =>
            (await server.Http.PatchAsJsonAsync($"/api/pages/{id}", new { date }, Stop)).StatusCode;
    }

    [Fact]
    public async Task What_is_different_since_a_state_is_told_of_columns_too()
    {
        static object Cell(string words) => new { type = "cell", content = new[] { ServerFixture.Text(words) } };
        var columns = new
        {
            type = "columns",
            attrs = new { id = "c", inRow = 2 },
            content = new[] { Cell("One."), Cell("Two.") },
        };
        var id = await server.PageAsync("Columns", columns);
        var draft = await server.GetAsync($"/api/pages/{id}/draft");
        var document = draft["document"]!.DeepClone();
        document["content"]![0]!["content"]![1]!["content"]![0]!["content"]![0]!["text"] = "Another.";
        var request = new HttpRequestMessage(HttpMethod.Put, $"/api/pages/{id}/draft")
        {
            Content = JsonContent.Create(new { title = "Columns", document }),
        };
        // Another person's change is a state of its own.
        request.Headers.TryAddWithoutValidation("Cookie", "person=Ana");
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{draft["version"]}\"");
        (await server.Http.SendAsync(request, Stop)).EnsureSuccessStatusCode();
        Assert.Equal(
            ["Text “Another.” was changed."],
            (
                await server.Http.GetFromJsonAsync<string[]>(
                    $"/api/pages/{id}/states/{draft["version"]}/differences",
                    Stop
                )
            )!
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await server.Http.GetAsync($"/api/pages/{id}/states/999/differences", Stop)).StatusCode
        );
    }
}
