using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

/// <summary>The library out and in again: into an empty one, and over itself.</summary>
public sealed class RoundTripTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Out_as_a_bundle_and_into_an_empty_library_all_is_as_it_was()
    {
        await FillAsync();
        var before = await LookAsync(server);

        var zip = await server.Http.GetByteArrayAsync("/api/library.zip", Stop);
        var empty = new ServerFixture();
        await empty.InitializeAsync();
        using (var form = new MultipartFormDataContent { { new ByteArrayContent(zip), "file", "library.zip" } })
        {
            var proposal = (
                await (await empty.Http.PostAsync("/api/intake/file", form, Stop))
                    .EnsureSuccessStatusCode()
                    .Content.ReadFromJsonAsync<JsonObject>(Stop)
            )!;
            Assert.Empty(proposal["leftOut"]!.AsArray());
            var pictures = proposal["pictures"]!
                .AsArray()
                .Select(p => new { id = (string)p!["file"]!["id"]!, words = new { } });
            (
                await empty.Http.PostAsJsonAsync($"/api/intake/{proposal["id"]}/keep", new { pictures }, Stop)
            ).EnsureSuccessStatusCode();
        }
        Assert.Equal(before, await LookAsync(empty));
        // The same table over the library it came from changes nothing.
        using var table = new MultipartFormDataContent
        {
            {
                new ByteArrayContent(await server.Http.GetByteArrayAsync("/api/library.csv", Stop)),
                "file",
                "library.csv"
            },
        };
        var look = (
            await (
                await server.Http.PostAsync("/api/library/table", table, Stop)
            ).Content.ReadFromJsonAsync<JsonObject>(Stop)
        )!;
        Assert.Equal((0, 0), ((int)look["total"]!, look["leftOut"]!.AsArray().Count));
        await empty.DisposeAsync();
    }

    /// <summary>Four pictures with everything that a library keeps of them.</summary>
    private async Task FillAsync()
    {
        var ids = new List<string>();
        foreach (var name in new[] { "box-kite.jpg", "line-reel.jpg", "bunting.svg", "kite-cut-out.png" })
            ids.Add(await server.TakeInAsync(name));
        await PatchAsync(
            ids[0],
            new
            {
                title = "Box, “the old one”",
                alt = "A kite; of two boxes",
                caption = "Two\nlines",
                credit = "Ana, Hana",
                rights = "©",
                folder = "Shed/Top",
                own = new Dictionary<string, string> { ["Maker"] = "Hana" },
                keep = new
                {
                    x = 0.2,
                    y = 0.1,
                    width = 0.3,
                    height = 0.4,
                    byHand = true,
                },
            }
        );
        await PatchAsync(ids[2], new { description = "凧 مهرجان" });
        (
            await server.Http.PostAsJsonAsync(
                $"/api/files/{ids[1]}/versions",
                new
                {
                    edits = new
                    {
                        quarterTurns = 1,
                        isMirrored = true,
                        straightenDeg = 2.5,
                        window = new
                        {
                            x = 0.1,
                            y = 0.1,
                            width = 0.6,
                            height = 0.7,
                        },
                        adjustments = new { light = 20 },
                    },
                },
                Stop
            )
        ).EnsureSuccessStatusCode();
        await PatchAsync(
            ids[1],
            new
            {
                keep = new
                {
                    x = 0.5,
                    y = 0.5,
                    width = 0.25,
                    height = 0.25,
                    byHand = true,
                },
            }
        );
    }

    [Fact]
    public async Task A_table_shows_what_it_would_change_and_changes_it_when_told()
    {
        var id = await server.TakeInAsync("bridle-ring.jpg");
        var csv = "file,title,alt text\nbridle-ring.jpg,Ring of brass,A brass ring\nnobody.jpg,X,Y\n";
        async Task<JsonObject> ReadAsync(string content, bool apply)
        {
            using var form = new MultipartFormDataContent
            {
                { new ByteArrayContent(Encoding.UTF8.GetBytes(content)), "file", "words.csv" },
            };
            return (
                await (
                    await server.Http.PostAsync($"/api/library/table?apply={apply}", form, Stop)
                ).Content.ReadFromJsonAsync<JsonObject>(Stop)
            )!;
        }
        var look = await ReadAsync(csv, false);
        Assert.Equal((1, 2, 1), ((int)look["pictures"]!, (int)look["total"]!, look["leftOut"]!.AsArray().Count));
        Assert.NotEqual(
            "Ring of brass",
            (string)(await server.GetAsync($"/api/files/{id}"))["file"]!["words"]!["title"]!
        );
        await ReadAsync(csv, true);
        Assert.Equal("Ring of brass", (string)(await server.GetAsync($"/api/files/{id}"))["file"]!["words"]!["title"]!);
        // An empty title names nothing, so the old one stays.
        Assert.Equal(0, (int)(await ReadAsync("file,title\nbridle-ring.jpg,\n", false))["total"]!);
        Assert.Contains(
            "head a column",
            (string)(await ReadAsync("a,b\n1,2", false))["detail"]!,
            StringComparison.Ordinal
        );
    }

    /// <summary>Everything a person gave the library, picture by picture, without ids and times.</summary>
    private static async Task<string> LookAsync(ServerFixture of)
    {
        var lines = new List<string>();
        foreach (var file in (await of.GetAsync("/api/files"))["items"]!.AsArray())
        {
            var room = await of.GetAsync($"/api/files/{file!["id"]}/room");
            var keep = (bool)file["keep"]!["byHand"]! ? file["keep"]!.ToJsonString() : "a guess";
            // Where it came from is the one thing that differs.
            var words = file["words"]!
                .ToJsonString()
                .Replace("\"source\":\"library.zip\"", "\"source\":\"\"", StringComparison.Ordinal);
            var edits = room["look"]!["edits"]!.ToJsonString();
            lines.Add($"{file["fileName"]} {file["width"]}×{file["height"]} {words} {edits} {keep}");
        }
        return string.Join('\n', lines.Order(StringComparer.Ordinal));
    }

    private async Task PatchAsync(string id, object change) =>
        (await server.Http.PatchAsJsonAsync($"/api/files/{id}", change, Stop)).EnsureSuccessStatusCode();
}
