using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

public sealed class ApiTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    [Fact]
    public async Task Health_says_version_and_schema()
    {
        var health = await server.GetAsync("/health");
        Assert.Equal("ok", (string)health["status"]!);
        Assert.True((int)health["schema"]! >= 1);
    }

    [Fact]
    public async Task The_clients_types_are_made_from_what_the_server_says_of_itself()
    {
        var served = await server.GetAsync("/openapi/v1.json");
        var written = JsonNode.Parse(
            await File.ReadAllTextAsync(
                Path.Combine(ServerFixture.Root, "client", "openapi.json"),
                TestContext.Current.CancellationToken
            )
        );
        Assert.True(
            JsonNode.DeepEquals(served["paths"], written!["paths"])
                && JsonNode.DeepEquals(served["components"], written["components"]),
            "client/openapi.json is behind the server: run tools/describe."
        );
    }

    [Fact]
    public async Task A_draft_without_its_version_is_asked_for_it_and_a_stale_one_gets_both()
    {
        var id = await server.PageAsync("Tides", ServerFixture.Text("High at ten."));
        Assert.Equal((HttpStatusCode)428, (await server.PutAsync(id, null, "Tides")).StatusCode);
        Assert.Equal(
            HttpStatusCode.OK,
            (await server.PutAsync(id, 2, "Tides", ServerFixture.Text("High at eleven."))).StatusCode
        );
        var stale = await server.PutAsync(id, 2, "Tides", ServerFixture.Text("High at noon."));
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        var problem = (await stale.Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken))!;
        Assert.Contains("nothing was overwritten", (string)problem["detail"]!, StringComparison.Ordinal);
        Assert.Contains("eleven", problem["now"]!.ToJsonString(), StringComparison.Ordinal);
        Assert.Contains("noon", problem["yours"]!.ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Changes_to_other_pieces_are_joined_and_who_sent_them_may_go_on_from_what_they_sent()
    {
        static object Piece(string id, string text) =>
            new
            {
                type = "paragraph",
                attrs = new { id },
                content = new[] { new { type = "text", text } },
            };
        var id = await server.PageAsync("Joined", Piece("a", "One."), Piece("b", "Two."));
        (
            await server.PutAsync(id, 2, "Joined", Piece("a", "One of theirs."), Piece("b", "Two."))
        ).EnsureSuccessStatusCode();
        var kept = await (
            await server.PutAsync(id, 2, "Joined", Piece("a", "One."), Piece("b", "Two of mine."))
        ).Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken);
        Assert.Contains("One of theirs.", kept!["joined"]!.ToJsonString(), StringComparison.Ordinal);
        // Still without having seen theirs.
        (
            await server.PatchAsync(
                id,
                (long)kept["version"]!,
                new
                {
                    op = "replace",
                    path = "/document/content/1",
                    value = Piece("b", "Two of mine, again."),
                }
            )
        ).EnsureSuccessStatusCode();
        var now = await server.GetAsync($"/api/pages/{id}/draft");
        Assert.Equal(
            ["One of theirs.", "Two of mine, again."],
            now["document"]!["content"]!.AsArray().Select(p => (string)p!["content"]![0]!["text"]!)
        );
        Assert.Equal(
            (long)now["version"]!,
            (long)
                (
                    await (
                        await server.PatchAsync(
                            id,
                            (long)now["version"]!,
                            new
                            {
                                op = "replace",
                                path = "/title",
                                value = "Patched",
                            }
                        )
                    ).Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken)
                )!["version"]! - 1
        );
    }

    [Fact]
    public async Task A_patch_of_what_is_not_known_or_that_does_not_fit_asks_for_the_whole_and_changes_nothing()
    {
        var id = await server.PageAsync("Patch", ServerFixture.Text("Words."));
        Assert.Equal(
            412,
            (int)(await server.PatchAsync(id, 77, new { op = "remove", path = "/document/content/0" })).StatusCode
        );
        Assert.Equal(
            400,
            (int)(await server.PatchAsync(id, 2, new { op = "remove", path = "/document/content/5" })).StatusCode
        );
        Assert.Equal(
            400,
            (int)
                (
                    await server.PatchAsync(
                        id,
                        2,
                        new
                        {
                            op = "replace",
                            path = "/document",
                            value = "no",
                        }
                    )
                ).StatusCode
        );
        Assert.Contains(
            "Words.",
            (await server.GetAsync($"/api/pages/{id}/draft")).ToJsonString(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_document_that_is_not_understood_is_refused_by_path_and_the_draft_stays()
    {
        var id = await server.PageAsync("Rules", ServerFixture.Text("Fly low."));
        var refused = await server.PutAsync(id, 2, "Rules", new { type = "marquee" });
        var problem = (await refused.Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken))!;
        Assert.Equal((400, "content[0]"), ((int)refused.StatusCode, (string)problem["field"]!));
        Assert.Contains(
            "Fly low.",
            (await server.GetAsync($"/api/pages/{id}/draft")).ToJsonString(),
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("")]
    [InlineData("   ")]
    public async Task A_page_without_a_title_is_asked_for_one(string title)
    {
        var refused = await server.Http.PostAsJsonAsync(
            "/api/pages",
            new { kind = "page", title },
            TestContext.Current.CancellationToken
        );
        Assert.Equal(
            "A page needs a title: type one.",
            (string)
                (await refused.Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken))!["detail"]!
        );
    }

    [Fact]
    public async Task A_look_is_what_would_be_published_without_keeping_anything()
    {
        var reel = await server.TakeInAsync("line-reel.jpg");
        var id = await server.PageAsync("Reels", ServerFixture.Text("One."));
        var body = new
        {
            title = "Reels",
            document = new
            {
                type = "doc",
                content = new object[]
                {
                    new
                    {
                        type = "figure",
                        attrs = new
                        {
                            id = "f",
                            asset = reel,
                            size = "wide",
                        },
                    },
                },
            },
        };
        var look = (
            await (
                await server.Http.PostAsJsonAsync($"/api/pages/{id}/look", body, TestContext.Current.CancellationToken)
            ).Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken)
        )!;
        Assert.Equal("coarse", (string)look["figures"]!["f"]!["fits"]!["desktop"]!["word"]!);
        Assert.Contains("fig-wide", (string)look["blocks"]![0]!["html"]!, StringComparison.Ordinal);
        Assert.StartsWith(
            "The file is 560 px wide",
            (string)look["figures"]!["f"]!["remedy"]!["sentence"]!,
            StringComparison.Ordinal
        );
        // Asked again after that one, what is the same is not told again; after one that is not known, all is.
        var again = (
            await (
                await server.Http.PostAsJsonAsync(
                    $"/api/pages/{id}/look?after={look["mark"]}",
                    body,
                    TestContext.Current.CancellationToken
                )
            ).Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken)
        )!;
        Assert.Equal(
            (look["blocks"]!.AsArray().Count, true, 0),
            (
                again["blocks"]!.AsArray().Count,
                again["blocks"]!.AsArray().All(b => b!["html"] is null),
                again["figures"]!.AsObject().Count
            )
        );
        var whole = (
            await (
                await server.Http.PostAsJsonAsync(
                    $"/api/pages/{id}/look?after=unknown",
                    body,
                    TestContext.Current.CancellationToken
                )
            ).Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken)
        )!;
        Assert.True(
            JsonNode.DeepEquals(look["blocks"], whole["blocks"])
                && JsonNode.DeepEquals(look["figures"], whole["figures"])
        );
        Assert.Contains(
            "One.",
            (await server.GetAsync($"/api/pages/{id}/draft")).ToJsonString(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Publishing_changes_what_changed_and_a_words_change_in_the_library_counts()
    {
        var reel = await server.TakeInAsync("serpent-small.jpg");
        var id = await server.PageAsync(
            "Serpent",
            new { type = "figure", attrs = new { asset = reel, size = "third" } }
        );
        Assert.Equal("new", await ChangeOf(id));
        (
            await server.Http.PostAsync("/api/publish", null, TestContext.Current.CancellationToken)
        ).EnsureSuccessStatusCode();
        Assert.Equal("same", await ChangeOf(id));
        (
            await server.Http.PatchAsJsonAsync(
                $"/api/files/{reel}",
                new { alt = "A serpent of many colours" },
                TestContext.Current.CancellationToken
            )
        ).EnsureSuccessStatusCode();
        Assert.Equal("changed", await ChangeOf(id));
        var again = (
            await (
                await server.Http.PostAsync("/api/publish", null, TestContext.Current.CancellationToken)
            ).Content.ReadFromJsonAsync<JsonObject>(TestContext.Current.CancellationToken)
        )!;
        Assert.Equal(0, (int)again["result"]!["picturesMade"]!);
        Assert.InRange((int)again["result"]!["filesWritten"]!, 1, 3);
        Assert.Equal("same", await ChangeOf(id));

        async Task<string> ChangeOf(string page) =>
            (string?)
                (await server.GetAsync("/api/publish"))["pages"]!
                    .AsArray()
                    .FirstOrDefault(p => (string)p!["id"]! == page)
                    ?["change"]
            ?? "same";
    }

    [Fact]
    public async Task The_front_page_stays_on_and_unknown_things_are_said_to_be_gone()
    {
        var pages = (
            await server.Http.GetFromJsonAsync<JsonArray>("/api/pages", TestContext.Current.CancellationToken)
        )!;
        if (pages.All(p => (string)p!["path"]! != ""))
            await server.PageAsync("Home");
        pages = (await server.Http.GetFromJsonAsync<JsonArray>("/api/pages", TestContext.Current.CancellationToken))!;
        var front = (string)pages.First(p => (string)p!["path"]! == "")!["id"]!;
        Assert.Equal(
            HttpStatusCode.Conflict,
            (
                await server.Http.PatchAsJsonAsync(
                    $"/api/pages/{front}",
                    new { isOn = false },
                    TestContext.Current.CancellationToken
                )
            ).StatusCode
        );
        foreach (
            var path in new[]
            {
                "/api/files/none",
                "/api/pages/none/draft",
                "/api/nothing",
                "/media/none.webp",
                "/api/jobs/none",
            }
        )
            Assert.Equal(
                HttpStatusCode.NotFound,
                (await server.Http.GetAsync(path, TestContext.Current.CancellationToken)).StatusCode
            );
    }
}
