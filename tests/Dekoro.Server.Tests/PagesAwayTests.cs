using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

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
        var pages = (await server.Http.GetFromJsonAsync<JsonArray>("/api/pages", Stop))!;
        var front = pages.FirstOrDefault(p => (string?)p!["path"] == "")?["id"] is { } id
            ? (string)id!
            : await server.PageAsync("Front", ServerFixture.Text("Here."));
        var (status, problem) = await server.SendAsync(HttpMethod.Delete, $"/api/pages/{front}");
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.EndsWith(".", (string)problem["detail"]!, StringComparison.Ordinal);

        var copy = await server.PostAsync($"/api/pages/{front}/copy");
        Assert.Equal("Front, copy", (string?)copy["title"]);
        var draft = await server.GetAsync($"/api/pages/{copy["id"]}/draft");
        Assert.Contains("Here.", draft["document"]!.ToJsonString(), StringComparison.Ordinal);
        Assert.NotEqual("", (string?)draft["path"]);
    }
}
