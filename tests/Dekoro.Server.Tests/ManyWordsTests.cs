using System.Net;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

/// <summary>Words of several pictures at once, searches kept under a name, and who added what.</summary>
public sealed class ManyWordsTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private async Task<JsonObject> FileAsync(string id) =>
        (JsonObject)(await server.GetAsync($"/api/files/{id}"))["file"]!;

    [Fact]
    public async Task Each_picture_gets_its_own_words_and_one_changed_meanwhile_is_left()
    {
        var (one, two) = (await server.TakeInAsync("line-reel.jpg"), await server.TakeInAsync("two-lanterns.jpg"));
        var (before, other) = (await FileAsync(one), await FileAsync(two));
        object Change(JsonObject file, string title) =>
            new
            {
                id = (string)file["id"]!,
                version = (long)file["version"]!,
                change = new { title, keywords = "reel, line" },
            };
        var (_, first) = await server.SendAsync(
            HttpMethod.Post,
            "/api/files/each",
            new { changes = new[] { Change(before, "Reel"), Change(other, "Lanterns") } }
        );
        Assert.Equal(2, (int)first["changed"]!);
        Assert.Equal(
            ("Reel", "reel, line"),
            ((string)(await FileAsync(one))["words"]!["title"]!, (string)(await FileAsync(one))["words"]!["keywords"]!)
        );
        // The first still names the version it read long ago.
        var (_, second) = await server.SendAsync(
            HttpMethod.Post,
            "/api/files/each",
            new { changes = new[] { Change(before, "Too late"), Change(await FileAsync(two), "Two lit lanterns") } }
        );
        Assert.Equal(1, (int)second["changed"]!);
        Assert.Equal(
            ("Reel", "Two lit lanterns"),
            ((string)(await FileAsync(one))["words"]!["title"]!, (string)(await FileAsync(two))["words"]!["title"]!)
        );
        var (twice, problem) = await server.SendAsync(
            HttpMethod.Post,
            "/api/files/each",
            new { changes = new[] { Change(before, "A"), Change(before, "B") } }
        );
        Assert.Equal(HttpStatusCode.BadRequest, twice);
        Assert.Contains("named twice", (string)problem["detail"]!, StringComparison.Ordinal);
        var (empty, _) = await server.SendAsync(
            HttpMethod.Post,
            "/api/files/each",
            new { changes = new[] { Change(await FileAsync(one), " ") } }
        );
        Assert.Equal(HttpStatusCode.BadRequest, empty);
        Assert.Equal("Reel", (string)(await FileAsync(one))["words"]!["title"]!);
    }

    [Fact]
    public async Task A_search_is_kept_as_it_reads_replaced_by_name_and_forgotten()
    {
        var (_, kept) = await server.SendAsync(
            HttpMethod.Put,
            "/api/searches",
            new { name = " Winter ", line = "lantern   SHAPE:Wide" }
        );
        Assert.Equal(
            ("Winter", "lantern shape:wide"),
            ((string)kept["searches"]![0]!["name"]!, (string)kept["searches"]![0]!["line"]!)
        );
        await server.SendAsync(HttpMethod.Put, "/api/searches", new { name = "winter", line = "lantern unused" });
        Assert.Equal(
            "lantern unused",
            (string)Assert.Single((await server.GetAsync("/api/searches"))["searches"]!.AsArray())!["line"]!
        );
        foreach (
            var bad in new object[]
            {
                new { name = "", line = "kite" },
                new { name = "All", line = "  " },
                new { name = new string('n', 61), line = "kite" },
            }
        )
            Assert.Equal(
                HttpStatusCode.BadRequest,
                (await server.SendAsync(HttpMethod.Put, "/api/searches", bad)).Status
            );
        Assert.Empty((await server.SendAsync(HttpMethod.Delete, "/api/searches/Winter")).Body["searches"]!.AsArray());
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await server.SendAsync(HttpMethod.Delete, "/api/searches/Winter")).Status
        );
    }

    [Fact]
    public async Task A_picture_says_who_added_it_and_what_colours_it_shows()
    {
        var id = (string)
            (
                await server.GiveAsync(
                    "box-kite.jpg",
                    await File.ReadAllBytesAsync(
                        Path.Combine(ServerFixture.Root, "demo", "files", "box-kite.jpg"),
                        Stop
                    ),
                    "person=" + Uri.EscapeDataString("Zoë Marsh")
                )
            )["id"]!;
        var file = await FileAsync(id);
        Assert.Equal("Zoë Marsh", (string)file["addedBy"]!);
        Assert.NotEmpty(file["colours"]!.AsArray());
        var found = await server.GetAsync(
            "/api/files?query=" + Uri.EscapeDataString($"by:\"zoë marsh\" colour:{file["colours"]![0]}")
        );
        Assert.Equal(id, (string)Assert.Single(found["items"]!.AsArray())!["id"]!);
        // Every switch says what it would leave, and leaves that.
        foreach (var one in found["switches"]!.AsArray().Where(s => !(bool)s!["isOn"]!))
            Assert.Equal(
                (long)one!["count"]!,
                (long)
                    (await server.GetAsync("/api/files?query=" + Uri.EscapeDataString((string)one["line"]!)))["total"]!
            );
    }
}
