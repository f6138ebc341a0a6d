using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

/// <summary>Pictures are handed to the archive that ships with the program.</summary>
public sealed class DepositTests : IAsyncLifetime
{
    private const string Collection = "/standins/archive/collection.json";

    private readonly TurnedClock _clock = new();
    private readonly ServerFixture _server;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public DepositTests() => _server = new ServerFixture { Clock = _clock };

    public ValueTask InitializeAsync() => _server.InitializeAsync();

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    [Fact]
    public async Task A_picture_goes_with_its_words_is_found_by_them_and_takes_new_ones_along()
    {
        var id = await DescribedAsync("box-kite.jpg", "Zephyr over the loft");
        Assert.Equal(0, (int)(await FoundAsync("zephyr"))["total"]!);
        Assert.Equal(1, (int)(await _server.PostAsync("/api/deposits", new { ids = new[] { id } }))["count"]!);
        var handed = await UntilAsync(id, "handed");
        Assert.NotNull(handed["handedAt"]);

        var found = await FoundAsync("zephyr");
        Assert.Equal((1, 201), ((int)found["total"]!, (int)found["all"]!));
        var item = found["items"]![0]!;
        Assert.Equal("Photo: Ilse Marwick", (string)item["credit"]!);
        var fields = item["fields"]!.AsArray().ToDictionary(f => (string)f!["label"]!, f => (string)f!["value"]!);
        Assert.Equal(("red; wind", "All rights with the museum"), (fields["Keywords"], fields["Rights"]));
        Assert.Equal("A kite in the loft", fields["Description"]);

        await SayAsync(id, new { title = "Zephyr is down" });
        await UntilAsync(id, "waiting");
        await UntilAsync(id, "handed");
        Assert.Equal("Zephyr is down", (string)(await FoundAsync("zephyr"))["items"]![0]!["label"]!);
        // A day later the words are the archive's own, until somebody hands them on.
        _clock.Turn(TimeSpan.FromDays(2));
        await SayAsync(id, new { title = "Zephyr mended" });
        await Task.Delay(3000, Stop);
        Assert.True((bool)(await DepositOfAsync(id))!["hasOtherWords"]!);
        Assert.Equal("Zephyr is down", (string)(await FoundAsync("zephyr"))["items"]![0]!["label"]!);
        (await _server.Http.PostAsync($"/api/deposits/{id}/words", null, Stop)).EnsureSuccessStatusCode();
        await UntilAsync(id, "handed");
        Assert.Equal("Zephyr mended", (string)(await FoundAsync("zephyr"))["items"]![0]!["label"]!);
        Assert.Equal(HttpStatusCode.Conflict, (await _server.Http.DeleteAsync($"/api/deposits/{id}", Stop)).StatusCode);
    }

    [Fact]
    public async Task With_a_wrong_token_it_waits_says_why_and_goes_once_the_right_one_is_set()
    {
        var id = await DescribedAsync("box-kite.jpg", "Held back");
        var set = await _server.SendAsync(
            HttpMethod.Put,
            "/api/deposits/at",
            new { address = "/standins/archive/sword/service", token = "not-this" }
        );
        Assert.Equal("True", set.Body["hasToken"]!.ToString(), ignoreCase: true);
        Assert.DoesNotContain("not-this", set.Body.ToJsonString(), StringComparison.Ordinal);
        Assert.Contains(
            "does not take the token",
            (string)(await _server.SendAsync(HttpMethod.Get, "/api/deposits/service")).Body["detail"]!,
            StringComparison.Ordinal
        );
        await _server.PostAsync("/api/deposits", new { ids = new[] { id } });
        Assert.Contains(
            "does not take the token",
            (string)(await UntilAsync(id, "waiting", says: "token"))["sentence"]!,
            StringComparison.Ordinal
        );
        Assert.Equal(
            ["Held back"],
            (await _server.GetAsync("/api/deposits"))["items"]!.AsArray().Select(i => (string)i!["title"]!)
        );
        await _server.SendAsync(
            HttpMethod.Put,
            "/api/deposits/at",
            new { address = "/standins/archive/sword/service", token = "kites-for-the-archive" }
        );
        await UntilAsync(id, "handed");
        Assert.Equal("Windle Sands Archive", (string)(await _server.GetAsync("/api/deposits/service"))["title"]!);
    }

    [Fact]
    public async Task Another_host_never_gets_the_token_of_the_one_before()
    {
        await _server.SendAsync(
            HttpMethod.Put,
            "/api/deposits/at",
            new { address = "https://archive.example/sword", token = "theirs" }
        );
        var other = await _server.SendAsync(
            HttpMethod.Put,
            "/api/deposits/at",
            new { address = "https://elsewhere.example/sword" }
        );
        Assert.False((bool)other.Body["hasToken"]!);
    }

    [Theory]
    [InlineData("", 401)]
    [InlineData("guess", 403)]
    [InlineData("kites-for-the-archive", 415)]
    public async Task The_archive_over_the_wire_asks_for_its_token_and_refuses_what_is_no_picture(
        string token,
        int status
    )
    {
        async Task<HttpResponseMessage> SendAsync(string path, string body, string? etag, string format)
        {
            var request = new HttpRequestMessage(HttpMethod.Post, "/standins/archive/sword/" + path)
            {
                Content = new StringContent(body),
            };
            request.Content.Headers.Add("Content-Disposition", format);
            if (token.Length > 0)
                request.Headers.Authorization = new("Bearer", token);
            if (etag is not null)
                request.Headers.TryAddWithoutValidation("If-Match", $"\"{etag}\"");
            return await _server.Http.SendAsync(request, Stop);
        }
        var begun = await SendAsync("service", """{"dc:title": "x"}""", null, "attachment; metadata=true");
        if (status < 415)
        {
            Assert.Equal(status, (int)begun.StatusCode);
            return;
        }
        Assert.Equal(HttpStatusCode.Created, begun.StatusCode);
        var made = (await begun.Content.ReadFromJsonAsync<JsonObject>(Stop))!;
        var path = new Uri((string)made["@id"]!).AbsolutePath["/standins/archive/sword/".Length..];
        var refused = await SendAsync(path, "not a picture", (string)made["eTag"]!, "attachment; filename=x.jpg");
        Assert.Equal(status, (int)refused.StatusCode);
        var error = (await refused.Content.ReadFromJsonAsync<JsonObject>(Stop))!;
        Assert.Contains("is not a picture", (string)error["error"]!, StringComparison.Ordinal);
        Assert.Equal(200, (int)(await FoundAsync(""))["all"]!);
    }

    private async Task<string> DescribedAsync(string file, string title)
    {
        var id = await _server.TakeInAsync(file);
        await SayAsync(
            id,
            new
            {
                title,
                alt = "A kite in the loft",
                description = "",
                credit = "Photo: Ilse Marwick",
                rights = "All rights with the museum",
                keywords = "red, wind",
            }
        );
        return id;
    }

    private async Task SayAsync(string id, object words)
    {
        var version = (long)(await _server.GetAsync($"/api/files/{id}"))["file"]!["version"]!;
        var answer = await _server.SendAsync(HttpMethod.Patch, $"/api/files/{id}", words, version);
        Assert.Equal(HttpStatusCode.OK, answer.Status);
    }

    private Task<JsonObject> FoundAsync(string words) =>
        _server.GetAsync($"/api/archive?address={Uri.EscapeDataString(Collection)}&query={words}");

    private async Task<JsonObject?> DepositOfAsync(string id) =>
        (await _server.GetAsync($"/api/files/{id}"))["deposit"] as JsonObject;

    /// <summary>Time passes until it is so far.</summary>
    private async Task<JsonObject> UntilAsync(string id, string state, string says = "")
    {
        for (var i = 0; i < 100; i++)
        {
            if (
                await DepositOfAsync(id) is { } now
                && (string)now["state"]! == state
                && ((string)now["sentence"]!).Contains(says, StringComparison.Ordinal)
            )
                return now;
            _clock.Turn(TimeSpan.FromSeconds(3));
            await Task.Delay(200, Stop);
        }
        throw new TimeoutException($"It is still {await DepositOfAsync(id)}.");
    }

    private sealed class TurnedClock : TimeProvider
    {
        private long _ahead;

        public override DateTimeOffset GetUtcNow() => DateTimeOffset.UtcNow.AddTicks(Interlocked.Read(ref _ahead));

        public void Turn(TimeSpan by) => Interlocked.Add(ref _ahead, by.Ticks);
    }
}
