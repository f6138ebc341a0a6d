using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

/// <summary>
/// Arrangements are kept by themselves, shown on pages, and their pictures are pictures of those pages.
/// </summary>
public sealed class ArrangementApiTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static object Block(string arrangement) =>
        new
        {
            type = "arrangement",
            attrs = new
            {
                id = "set",
                arrangement,
                reach = "wide",
            },
        };

    private async Task<HttpResponseMessage> PutAsync(JsonNode look, Action<JsonNode> change, long? version = null)
    {
        var values = look["values"]!.DeepClone();
        change(values);
        using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/arrangements/{look["id"]}")
        {
            Content = JsonContent.Create(values),
        };
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{version ?? (long)look["version"]!}\"");
        return await server.Http.SendAsync(request, Stop);
    }

    [Fact]
    public async Task What_cannot_be_is_refused_by_field_with_what_is_allowed()
    {
        var id = await server.TakeInAsync("bridle-ring.jpg");
        var made = await server.PostAsync("/api/arrangements", new { name = "Rings", pictures = new[] { id, id } });
        foreach (var (sentence, change) in Impossible.Concat(Videos.Select(v => ("instead: The larger view shows", v))))
        {
            using var answer = await PutAsync(made, change);
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            var problem = JsonNode.Parse(await answer.Content.ReadAsStringAsync(Stop))!;
            Assert.StartsWith(sentence, $"{problem["field"]}: {problem["detail"]}", StringComparison.Ordinal);
        }
    }

    private static readonly (string Sentence, Action<JsonNode> Change)[] Impossible =
    [
        ("gutterPx: The gutter is 0 to 60 px.", v => v["gallery"]!["gutterPx"] = -4),
        ("columns: From 1 to 6", v => v["gallery"]!["columns"] = new JsonArray(1, 2, 7)),
        ("targetHeightPx: Rows are 40 to 800", v => v["gallery"]!["targetHeightPx"] = new JsonArray(0, 2, 7)),
        ("shape: A shape is written 3:2", v => v["gallery"]!["shape"] = "wide"),
        ("name: Give the arrangement a name", v => v["name"] = "  "),
        ("items: An arrangement has a name, a layout and pictures", v => v["gallery"] = null),
        ("items: Words of a picture are at most 5000", v =>
            (v["items"]![0]!["alt"], v["items"]![0]!["caption"]) = ("short", new string('x', 5001))
        ),
        ("changeMs: A change takes no longer", v => (v["slider"]!["stayMs"], v["slider"]!["changeMs"]) = (1000, 1500)),
        ("advanceBy: It advances by no more", v => v["slider"]!["advanceBy"] = new JsonArray(2, 1, 1)),
        ("perSheet: A gallery is shown 1 to 200 pictures at a time", v => v["gallery"]!["perSheet"] = 500),
        ("peekPx: Of what follows 0 to 200 px show.", v => v["slider"]!["peekPx"] = 900),
        ("words: Words over slides stand in one of nine fields", v => v["slider"]!["words"]!["tint"] = "red"),
        ("stayMs: A slide stands for 1 to 60 s.", v => v["items"]![0]!["stayMs"] = 0),
        ("startsWith: It begins with its first picture", v => v["slider"]!["startsWith"] = 0),
        ("dates: It would end before it begins", v =>
            (v["items"]![0]!["from"], v["items"]![0]!["until"]) = ("2026-12-24", "2026-12-01")
        ),
        ("look: Corners are four numbers", v => v["ownLook"] = new JsonObject { ["roundPx"] = new JsonArray(1, 2) }),
        ("controls: Buttons and steps are small", v => v["slider"]!["controlColour"] = "red"),
    ];

    private static IEnumerable<Action<JsonNode>> Videos =>
        new[]
        {
            ("javascript:alert(1)", "https://player.example/1"),
            ("https://videos.example/1", "http://player.example/1"),
        }.Select(video =>
            (Action<JsonNode>)(
                v =>
                    v["items"]![0]!["instead"] = new JsonObject
                    {
                        ["kind"] = "hosted",
                        ["target"] = video.Item1,
                        ["player"] = video.Item2,
                    }
            )
        );

    [Fact]
    public async Task A_stale_change_of_an_arrangement_writes_over_nothing()
    {
        var id = await server.TakeInAsync("bridle-ring.jpg");
        var made = await server.PostAsync("/api/arrangements", new { name = "Rings", pictures = new[] { id, id } });
        using (var kept = await PutAsync(made, v => v["name"] = "Ring by ring"))
            Assert.Equal(HttpStatusCode.OK, kept.StatusCode);
        using var stale = await PutAsync(made, v => v["name"] = "Mine");
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        Assert.Equal(
            "Ring by ring",
            (string)JsonNode.Parse(await stale.Content.ReadAsStringAsync(Stop))!["now"]!["values"]!["name"]!
        );
        Assert.Equal(
            "Ring by ring",
            (string)(await server.GetAsync($"/api/arrangements/{made["id"]}"))["values"]!["name"]!
        );
    }

    [Fact]
    public async Task Far_too_many_words_over_a_slide_stand_below_it_and_it_is_shown_elsewhere_once_that_is_published()
    {
        var id = await server.TakeInAsync("museum-door.jpg");
        var made = await server.PostAsync("/api/arrangements", new { name = "Doors", pictures = new[] { id } });
        Assert.Equal(
            HttpStatusCode.Conflict,
            (
                await server.Http.GetAsync(
                    new Uri($"/api/arrangements/{made["id"]}/out?format=snippet", UriKind.Relative),
                    Stop
                )
            ).StatusCode
        );
        using (var put = await PutAsync(made, v =>
            {
                (v["kind"], v["isShownElsewhere"]) = ("slider", true);
                v["items"]![0]!["text"] = string.Concat(Enumerable.Repeat("kite ", 600));
            }))
            Assert.Equal(HttpStatusCode.OK, put.StatusCode);
        var look = await server.GetAsync($"/api/arrangements/{made["id"]}");
        Assert.Equal(
            "On phone, tablet and desktop they stand below: over the pictures they find no room.",
            (string)look["overSlides"]!["below"]!
        );
        Assert.Contains(
            "let it stand longer, or say less",
            Plays(await ChangedAsync(look, v => v["slider"]!["playsItself"] = true)),
            StringComparison.Ordinal
        );
        // Without a page there is nothing to publish.
        await server.PageAsync("Doors", Block((string)made["id"]!));
        async Task<string[]> OtherFilesAsync() =>
            [.. (await server.GetAsync("/api/publish"))["otherFiles"]!.AsArray().Select(f => (string)f!)];
        Assert.Contains($"shown_/{made["id"]}", await OtherFilesAsync());
        await server.PostAsync("/api/publish", new { });
        Assert.DoesNotContain($"shown_/{made["id"]}", await OtherFilesAsync());
        using var shown = await server.Http.GetAsync(new Uri($"/live/shown_/{made["id"]}/", UriKind.Relative), Stop);
        Assert.Contains(
            "frame-ancestors *",
            shown.Headers.GetValues("Content-Security-Policy").Single(),
            StringComparison.Ordinal
        );

        static string Plays(JsonNode of) =>
            string.Join(' ', of["timing"]!["findings"]!.AsArray().Select(f => (string)f!));
        async Task<JsonNode> ChangedAsync(JsonNode of, Action<JsonNode> change)
        {
            using var put = await PutAsync(of, change);
            return JsonNode.Parse(await put.Content.ReadAsStringAsync(Stop))!;
        }
    }

    [Fact]
    public async Task A_swap_reaches_a_step_of_its_own_and_a_picture_that_follows_behind_a_band()
    {
        var (door, step, follower, other) = (
            await server.TakeInAsync("bunting.svg"),
            await server.TakeInAsync("box-kite-winter.webp"),
            await server.TakeInAsync("lighthouse-turned.jpg"),
            await server.TakeInAsync("windle-sands-june-morning.jpg")
        );
        var slider = await server.PostAsync("/api/arrangements", new { name = "Steps", pictures = new[] { door } });
        using (
            var kept = await PutAsync(slider, v =>
                (v["kind"], v["slider"]!["steps"], v["items"]![0]!["step"]) = ("slider", "pictures", step)
            )
        )
            Assert.Equal(HttpStatusCode.OK, kept.StatusCode);
        var behind = await server.PostAsync(
            "/api/arrangements",
            new { name = "Behind", pictures = new[] { follower } }
        );
        await server.PageAsync(
            "Steps",
            Block((string)slider["id"]!),
            new
            {
                type = "band",
                attrs = new
                {
                    id = "band",
                    picture = door,
                    set = (string)behind["id"]!,
                },
                content = new[] { ServerFixture.Text("Words") },
            }
        );
        foreach (var (old, set, field) in new[] { (step, slider, "step"), (follower, behind, "asset") })
        {
            var swapped = await server.PostAsync($"/api/files/{old}/swap", new { with = other });
            Assert.Equal(
                other,
                (string)(await server.GetAsync($"/api/arrangements/{set["id"]}"))["values"]!["items"]![0]![field]!
            );
            await server.PostAsync($"/api/files/{other}/swap", swapped["undo"]!);
            Assert.Equal(
                old,
                (string)(await server.GetAsync($"/api/arrangements/{set["id"]}"))["values"]!["items"]![0]![field]!
            );
        }
    }

    [Fact]
    public async Task Its_pictures_are_used_on_its_pages_and_a_swap_reaches_into_it_and_is_put_back()
    {
        var (small, large, other) = (
            await server.TakeInAsync("serpent-small.jpg"),
            await server.TakeInAsync("the-kite-hall.jpg"),
            await server.TakeInAsync("two-lanterns.jpg")
        );
        var made = await server.PostAsync(
            "/api/arrangements",
            new { name = "Serpents", pictures = new[] { small, other } }
        );
        await server.PageAsync("One", Block((string)made["id"]!));
        await server.PageAsync("Two", Block((string)made["id"]!));
        var places = (await server.GetAsync($"/api/files/{small}"))["standsIn"]!.AsArray();
        Assert.Equal(["an arrangement", "an arrangement"], places.Select(p => (string)p!["size"]!));
        var away = await server.PostAsync("/api/files/away", new { ids = new[] { small } });
        Assert.Empty(away["away"]!.AsArray());
        var swapped = await server.PostAsync($"/api/files/{small}/swap", new { with = large });
        Assert.Equal((2, 2), ((int)swapped["places"]!, (int)swapped["pages"]!));
        async Task<string[]> HeldAsync() =>
            [
                .. (await server.GetAsync($"/api/arrangements/{made["id"]}"))["values"]!["items"]!
                    .AsArray()
                    .Select(i => (string)i!["asset"]!),
            ];
        Assert.Equal([large, other], await HeldAsync());
        Assert.Empty((await server.GetAsync($"/api/files/{small}"))["standsIn"]!.AsArray());
        await server.PostAsync($"/api/files/{large}/swap", swapped["undo"]!);
        Assert.Equal([small, other], await HeldAsync());
    }

    [Fact]
    public async Task One_that_follows_a_folder_holds_what_comes_into_it_and_keeps_what_was_said_of_each()
    {
        var (first, later) = (
            await server.TakeInAsync("two-kites-on-sand.jpg"),
            await server.TakeInAsync("running-on-the-sand.jpg")
        );
        async Task PutInFolderAsync(string id) =>
            await server.PostAsync(
                "/api/files/change",
                new { ids = new[] { id }, change = new { folder = "Followed" } }
            );
        await PutInFolderAsync(first);
        var made = await server.PostAsync(
            "/api/arrangements",
            new { name = "Folder", pictures = Array.Empty<string>() }
        );
        using (var put = await PutAsync(made, v => v["follows"] = "folder:Followed"))
            Assert.Equal(HttpStatusCode.OK, put.StatusCode);
        var page = await server.PageAsync("Followers", Block((string)made["id"]!));
        async Task<JsonArray> ItemsAsync() =>
            (await server.GetAsync($"/api/arrangements/{made["id"]}"))["values"]!["items"]!.AsArray();
        Assert.Equal(first, (string)Assert.Single(await ItemsAsync())!["asset"]!);
        using (
            var said = await PutAsync(await server.GetAsync($"/api/arrangements/{made["id"]}"), v =>
                v["items"]![0]!["alt"] = "Said here"
            )
        )
            Assert.Equal(HttpStatusCode.OK, said.StatusCode);
        await PutInFolderAsync(later);
        var items = await ItemsAsync();
        Assert.Equal(new[] { first, later }.Order(), items.Select(i => (string)i!["asset"]!).Order());
        Assert.Equal("Said here", (string)items.First(i => (string)i!["asset"]! == first)!["alt"]!);
        Assert.Equal(
            2,
            System
                .Text.RegularExpressions.Regex.Matches(
                    await server.Http.GetStringAsync($"/proof/{page}", Stop),
                    "<img "
                )
                .Count
        );
        var json = JsonNode.Parse(
            await server.Http.GetStringAsync($"/api/arrangements/{made["id"]}/out?format=json", Stop)
        )!;
        Assert.Contains("Said here", json["pictures"]!.AsArray().Select(p => (string)p!["alt"]!));
        // As HTML it leads to the public site's files, which are there once a page with it is published.
        using (var early = await server.Http.GetAsync($"/api/arrangements/{made["id"]}/out?format=html", Stop))
            Assert.Equal(HttpStatusCode.Conflict, early.StatusCode);
        await server.PostAsync("/api/publish", new { });
        var html = await server.Http.GetStringAsync($"/api/arrangements/{made["id"]}/out?format=html", Stop);
        var file = System
            .Text.RegularExpressions.Regex.Match(html, "src=\"(http[^\"]+/live/media/[^\"]+)\"")
            .Groups[1]
            .Value;
        // It comes in the site's dress.
        var sheets = System.Text.RegularExpressions.Regex.Matches(html, "<link rel=\"stylesheet\" href=\"([^\"]+)\"");
        Assert.Equal(2, sheets.Count);
        foreach (var address in sheets.Select(one => one.Groups[1].Value).Append(file))
        {
            using var there = await server.Http.GetAsync(address, Stop);
            Assert.Equal(HttpStatusCode.OK, there.StatusCode);
        }
    }

    [Fact]
    public async Task A_picture_taken_away_leaves_the_others_standing_and_one_without_pictures_is_not_published()
    {
        var (kept, gone) = (await server.TakeInAsync("diamond-kite.jpg"), await server.TakeInAsync("line-reel.jpg"));
        var made = await server.PostAsync("/api/arrangements", new { name = "Pair", pictures = new[] { kept, gone } });
        var empty = await server.PostAsync(
            "/api/arrangements",
            new { name = "Nothing", pictures = Array.Empty<string>() }
        );
        var page = await server.PageAsync(
            "Pairs",
            Block((string)made["id"]!),
            ServerFixture.Text("Between."),
            new { type = "arrangement", attrs = new { id = "none", arrangement = (string)empty["id"]! } }
        );
        using (var put = await PutAsync(made, v => v["items"]![1]!["asset"] = "no-longer"))
            Assert.Equal(HttpStatusCode.OK, put.StatusCode);
        var html = await server.Http.GetStringAsync($"/proof/{page}", Stop);
        Assert.Single(System.Text.RegularExpressions.Regex.Matches(html, "<img "));
        Assert.Single(System.Text.RegularExpressions.Regex.Matches(html, "class=\"set "));
        var change = (await server.GetAsync("/api/publish"))["pages"]!.AsArray().First(p => (string)p!["id"]! == page)!;
        Assert.Contains(
            "A picture of “Pair” is no longer in the library: the others stand without it.",
            change["notices"]!.AsArray().Select(n => (string)n!)
        );
    }
}
