using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

/// <summary>Files that are no pictures: taken in, linked, published, taken away.</summary>
public sealed class DownloadApiTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private Task<HttpResponseMessage> ChangeAsync(string id, object change) =>
        server.Http.PatchAsJsonAsync($"/api/downloads/{id}", change, Stop);

    private async Task<JsonObject> FileAsync(string id) =>
        (JsonObject)(await server.GetAsync($"/api/downloads/{id}"))["file"]!;

    private async Task<HttpStatusCode> StatusAsync(string path) => (await server.Http.GetAsync(path, Stop)).StatusCode;

    private static object LinkTo(string id) =>
        new
        {
            type = "paragraph",
            content = new[]
            {
                new
                {
                    type = "text",
                    text = "the programme",
                    marks = new[] { new { type = "link", attrs = new { href = "file-in-library:" + id } } },
                },
            },
        };

    [Fact]
    public async Task A_document_is_kept_once_linked_by_id_and_stands_on_the_public_site_under_its_title()
    {
        var bytes = Encoding.ASCII.GetBytes("%PDF-1.4\n% a short one");
        var given = await server.GiveAsync("flying-days_programme.pdf", bytes);
        var id = (string)given["downloadId"]!;
        Assert.Null(given["id"]);
        Assert.True((bool)(await server.GiveAsync("the same.pdf", bytes))["wasThere"]!);
        // Given four times in one moment, it is kept once.
        var atOnce = await Task.WhenAll(
            Enumerable
                .Range(0, 4)
                .Select(i => server.GiveAsync($"times-{i}.txt", Encoding.UTF8.GetBytes("Ten to five")))
        );
        Assert.Single(atOnce.Select(f => (string)f["downloadId"]!).Distinct());
        Assert.Equal(
            ("Flying days programme", "files/flying-days-programme.pdf", false),
            (
                (string)(await FileAsync(id))["title"]!,
                (string)(await FileAsync(id))["address"]!,
                (bool)(await FileAsync(id))["isPublic"]!
            )
        );

        var page = await server.PageAsync("Days", LinkTo(id));
        await server.PostAsync("/api/publish");
        var html = await server.Http.GetStringAsync("/live/", Stop);
        Assert.Contains("href=\"./files/flying-days-programme.pdf\"", html, StringComparison.Ordinal);
        var published = await server.Http.GetAsync("/live/files/flying-days-programme.pdf", Stop);
        Assert.Equal("application/pdf", published.Content.Headers.ContentType!.MediaType);
        Assert.Contains(
            "sandbox",
            Assert.Single(published.Headers.GetValues("Content-Security-Policy")),
            StringComparison.Ordinal
        );
        Assert.Equal(bytes, await published.Content.ReadAsByteArrayAsync(Stop));
        Assert.Equal(page, (string)(await FileAsync(id))["standsIn"]![0]!["pageId"]!);

        // Linked, it is not taken away; renamed, every link follows.
        Assert.Equal(HttpStatusCode.Conflict, (await ChangeAsync(id, new { isAway = true })).StatusCode);
        (await ChangeAsync(id, new { title = "Programme 2027" })).EnsureSuccessStatusCode();
        // No page has changed, but what visitors meet has: it is said, and publishing brings it.
        var preview = await server.GetAsync("/api/publish");
        Assert.Equal(
            ["files/flying-days-programme.pdf", "files/programme-2027.pdf"],
            preview["otherFiles"]!.AsArray().Select(f => (string)f!)
        );
        await server.PostAsync("/api/publish");
        Assert.Equal(0, (int)(await server.GetAsync("/api/publish"))["changes"]!);
        Assert.Contains(
            "./files/programme-2027.pdf",
            await server.Http.GetStringAsync("/live/", Stop),
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync("/live/files/flying-days-programme.pdf"));
    }

    [Fact]
    public async Task A_text_shows_how_it_begins_is_found_by_its_words_and_waits_when_it_is_taken_away()
    {
        var id = (string)
            (await server.GiveAsync("care-of-lines.txt", Encoding.UTF8.GetBytes("Wash salt out of every line. 凧")))[
                "downloadId"
            ]!;
        Assert.StartsWith(
            "Wash salt",
            (string)(await server.GetAsync($"/api/downloads/{id}"))["text"]!,
            StringComparison.Ordinal
        );
        Assert.Contains((await server.GetAsync("/api/downloads?query=lin+txt"))["items"]!.AsArray(), i =>
            (string)i!["id"]! == id
        );
        Assert.Empty((await server.GetAsync("/api/downloads?query=lines+pdf"))["items"]!.AsArray());
        (await ChangeAsync(id, new { isAway = true })).EnsureSuccessStatusCode();
        Assert.NotNull((await FileAsync(id))["awaySince"]);
        // The same file given again brings it back.
        Assert.True(
            (bool)
                (await server.GiveAsync("again.txt", Encoding.UTF8.GetBytes("Wash salt out of every line. 凧")))[
                    "wasThere"
                ]!
        );
        Assert.Null((await FileAsync(id))["awaySince"]);
        Assert.Equal(HttpStatusCode.BadRequest, (await ChangeAsync(id, new { title = " " })).StatusCode);
    }

    [Fact]
    public async Task Documents_are_offered_for_keeping_and_sound_is_played_from_any_second_on()
    {
        var text = (string)
            (await server.GiveAsync("notes.md", Encoding.UTF8.GetBytes("# Notes <script>")))["downloadId"]!;
        var asText = await server.Http.GetAsync($"/media/file/{text}", Stop);
        Assert.Equal("attachment", asText.Content.Headers.ContentDisposition!.DispositionType);
        var wav = await File.ReadAllBytesAsync(
            Path.Combine(ServerFixture.Root, "demo", "files", "wind-in-the-lines.wav"),
            Stop
        );
        var sound = (string)(await server.GiveAsync("wind.wav", wav))["downloadId"]!;
        var request = new HttpRequestMessage(HttpMethod.Get, $"/media/file/{sound}");
        request.Headers.Range = new(1000, 1999);
        var part = await server.Http.SendAsync(request, Stop);
        Assert.Equal(
            (HttpStatusCode.PartialContent, "audio/wav"),
            (part.StatusCode, part.Content.Headers.ContentType!.MediaType)
        );
        Assert.Equal(wav[1000..2000], await part.Content.ReadAsByteArrayAsync(Stop));
        Assert.Equal(HttpStatusCode.NotFound, await StatusAsync("/media/file/..%2fdekoro.db"));
    }
}
