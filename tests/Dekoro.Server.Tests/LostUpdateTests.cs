using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Dekoro.Application.Hosting;
using Dekoro.Core.Media;

namespace Dekoro.Server.Tests;

/// <summary>
/// Two people who began from the same: the first is kept, the second is told, and nothing of either is lost.
/// </summary>
public sealed class LostUpdateTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static readonly object Turned = new
    {
        edits = new
        {
            quarterTurns = 1,
            isMirrored = false,
            straightenDeg = 0,
            window = new
            {
                x = 0,
                y = 0,
                width = 1,
                height = 1,
            },
            adjustments = new { },
        },
    };

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Of_two_who_change_a_pictures_words_or_its_keep_area_the_second_is_told_with_both()
    {
        var (id, seen) = await PictureAsync("line-reel.jpg");
        await BothAsync(
            HttpMethod.Patch,
            $"/api/files/{id}",
            seen,
            new { title = "Mine" },
            new
            {
                keep = new
                {
                    x = 0.1,
                    y = 0.1,
                    width = 0.2,
                    height = 0.2,
                },
            }
        );
        Assert.Equal("Mine", (string)(await server.GetAsync($"/api/files/{id}"))["file"]!["words"]!["title"]!);
    }

    [Fact]
    public async Task Of_two_who_give_a_picture_versions_or_use_an_older_one_the_second_is_told_with_both()
    {
        var (id, seen) = await PictureAsync("two-lanterns.jpg");
        await BothAsync(HttpMethod.Post, $"/api/files/{id}/versions", seen, Turned, Turned);
        seen = (string)(await server.GetAsync($"/api/files/{id}"))["file"]!["version"]!.ToString();
        (await SendAsync(HttpMethod.Patch, $"/api/files/{id}", seen, new { title = "Named meanwhile" })).Dispose();
        using var stale = await SendAsync(HttpMethod.Post, $"/api/files/{id}/versions/0/use", seen, new { });
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        Assert.Equal(
            "Named meanwhile",
            (string)(await server.GetAsync($"/api/files/{id}"))["file"]!["words"]!["title"]!
        );
    }

    [Fact]
    public async Task Of_two_who_make_pictures_one_the_second_is_told_and_a_page_changed_meanwhile_undoes_all_of_it()
    {
        var ((stays, staysSeen), (goes, seen)) = (
            await PictureAsync("box-kite.jpg"),
            await PictureAsync("bridle-ring.jpg")
        );
        (
            await SendAsync(HttpMethod.Patch, $"/api/files/{stays}", staysSeen, new { caption = "Said meanwhile" })
        ).Dispose();
        using var stale = await SendAsync(
            HttpMethod.Post,
            $"/api/files/{goes}/merge",
            seen,
            new { into = stays, intoVersion = long.Parse(staysSeen, System.Globalization.CultureInfo.InvariantCulture) }
        );
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        Assert.Null((await server.GetAsync($"/api/files/{goes}"))["file"]!["awaySince"]);
        Assert.Equal(
            "Said meanwhile",
            (string)(await server.GetAsync($"/api/files/{stays}"))["file"]!["words"]!["caption"]!
        );
    }

    [Fact]
    public async Task Of_two_who_change_a_file_that_is_no_picture_the_second_is_told_with_both()
    {
        var id = (string)(await server.GiveAsync("notes.txt", "Wind from the west."u8.ToArray()))["downloadId"]!;
        var seen = (await server.GetAsync($"/api/downloads/{id}"))["file"]!["version"]!.ToString();
        await BothAsync(HttpMethod.Patch, $"/api/downloads/{id}", seen, new { title = "Mine" }, new { isAway = true });
        Assert.Null((await server.GetAsync($"/api/downloads/{id}"))["file"]!["awaySince"]);
    }

    [Fact]
    public async Task Of_two_who_set_the_sites_style_or_its_columns_the_second_is_told_with_both()
    {
        var style = await server.GetAsync("/api/site/style");
        object With(string name)
        {
            var values = (JsonObject)style["values"]!.DeepClone();
            values["name"] = name;
            return new { values };
        }
        await BothAsync(HttpMethod.Put, "/api/site/style", (string)style["seen"]!, With("Mine"), With("Theirs"));
        await BothAsync(
            HttpMethod.Put,
            "/api/columns",
            (await server.GetAsync("/api/columns"))["version"]!.ToString(),
            new { columns = new[] { "Maker" } },
            new { columns = new[] { "Year" } }
        );
        Assert.Equal(["Maker"], (await server.GetAsync("/api/columns"))["columns"]!.AsArray().Select(c => (string)c!));
    }

    [Fact]
    public async Task Of_two_who_change_one_look_the_second_is_told_and_two_who_change_different_ones_are_both_kept()
    {
        object Look(string name, int px) =>
            new
            {
                name,
                look = new
                {
                    line = "solid",
                    linePx = px,
                    lineColour = "#000000",
                    roundPx = new[] { 0, 0, 0, 0 },
                    paddingPx = 0,
                    background = (string?)null,
                    shadow = (object?)null,
                },
            };
        foreach (var id in new[] { "a", "b" })
        {
            using var made = await SendAsync(
                HttpMethod.Put,
                $"/api/site/looks/{id}",
                null,
                Look("Look " + id, 1),
                isNew: true
            );
            Assert.Equal(HttpStatusCode.OK, made.StatusCode);
        }
        using var twice = await SendAsync(HttpMethod.Put, "/api/site/looks/a", null, Look("Again", 1), isNew: true);
        Assert.Equal(HttpStatusCode.Conflict, twice.StatusCode);
        var looks = (await server.GetAsync("/api/site"))["looks"]!.AsArray();
        string Seen(int i) => (string)looks[i]!["seen"]!;
        await BothAsync(HttpMethod.Put, "/api/site/looks/a", Seen(0), Look("Mine", 2), Look("Theirs", 3));
        using var other = await SendAsync(HttpMethod.Put, "/api/site/looks/b", Seen(1), Look("Other", 4));
        Assert.Equal(HttpStatusCode.OK, other.StatusCode);
        using var gone = await SendAsync(HttpMethod.Delete, "/api/site/looks/b", Seen(1), null);
        Assert.Equal(HttpStatusCode.Conflict, gone.StatusCode);
    }

    [Fact]
    public async Task Pictures_that_come_in_at_once_each_with_a_column_of_its_own_leave_all_columns()
    {
        var workspace = (Dekoro.Application.Hosting.Workspace)
            server.Services.GetService(typeof(Dekoro.Application.Hosting.Workspace))!;
        var before = workspace.OwnColumns.All();
        await Parallel.ForEachAsync(Enumerable.Range(0, 12), Stop, (i, _) =>
        {
            workspace.OwnColumns.AddThoseOf(
                Core.Media.CustomFields.Of(new Dictionary<string, string> { [$"Column {i}"] = "x" })
            );
            return ValueTask.CompletedTask;
        });
        Assert.Equal(before.Count + 12, workspace.OwnColumns.All().Count);
    }

    /// <summary>
    /// Nothing without a version; the first from it is kept; the second gets 409 with how it is now and what was sent.
    /// </summary>
    private async Task BothAsync(HttpMethod method, string path, string seen, object mine, object theirs)
    {
        using var unsaid = await SendAsync(method, path, null, mine);
        Assert.Equal((HttpStatusCode)428, unsaid.StatusCode);
        using var first = await SendAsync(method, path, seen, mine);
        Assert.True(first.IsSuccessStatusCode, await first.Content.ReadAsStringAsync(Stop));
        using var second = await SendAsync(method, path, seen, theirs);
        Assert.Equal(HttpStatusCode.Conflict, second.StatusCode);
        var problem = (await second.Content.ReadFromJsonAsync<JsonObject>(Stop))!;
        Assert.NotNull(problem["now"]);
        Assert.NotNull(problem["yours"]);
        Assert.EndsWith(".", (string)problem["detail"]!, StringComparison.Ordinal);
    }

    private async Task<(string Id, string Seen)> PictureAsync(string name)
    {
        var id = await server.TakeInAsync(name);
        return (id, (await server.GetAsync($"/api/files/{id}"))["file"]!["version"]!.ToString());
    }

    private Task<HttpResponseMessage> SendAsync(
        HttpMethod method,
        string path,
        string? seen,
        object? body,
        bool isNew = false
    )
    {
        var request = new HttpRequestMessage(method, path) { Content = body is null ? null : JsonContent.Create(body) };
        if (seen is not null)
            request.Headers.TryAddWithoutValidation("If-Match", $"\"{seen}\"");
        if (isNew)
            request.Headers.TryAddWithoutValidation("If-None-Match", "*");
        return server.Bare.SendAsync(request, Stop);
    }
}
