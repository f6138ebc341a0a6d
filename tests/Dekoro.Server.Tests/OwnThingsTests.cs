using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using NetVips;

namespace Dekoro.Server.Tests;

/// <summary>What a site has of its own for its pictures: columns, and addresses.</summary>
public sealed class OwnThingsTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private Task<HttpResponseMessage> ChangeAsync(string id, object change) => server.Http.PatchAsJsonAsync($"/api/files/{id}", change, Stop);
    private async Task<JsonObject> FileAsync(string id) => (JsonObject)(await server.GetAsync($"/api/files/{id}"))["file"]!;

    [Fact]
    public async Task A_word_under_an_own_column_is_kept_found_and_waits_while_the_column_is_out()
    {
        var id = await server.TakeInAsync("line-reel.jpg");
        await server.SendAsync(HttpMethod.Put, "/api/columns", new { columns = new[] { "Maker", "Inventory number" } });
        (await ChangeAsync(id, new { own = new Dictionary<string, string> { ["Maker"] = "Joan Petrie", ["Inventory number"] = "WS-17" } })).EnsureSuccessStatusCode();
        Assert.Equal(id, (string)Assert.Single((await server.GetAsync("/api/files?query=petr"))["items"]!.AsArray())!["id"]!);
        Assert.Empty((await server.GetAsync("/api/files?query=vogel"))["items"]!.AsArray());
        await server.SendAsync(HttpMethod.Put, "/api/columns", new { columns = new[] { "Inventory number" } });
        Assert.Equal("Joan Petrie", (string)(await FileAsync(id))["words"]!["own"]!["Maker"]!);
        (await ChangeAsync(id, new { own = new Dictionary<string, string> { ["maker"] = " " } })).EnsureSuccessStatusCode();
        Assert.Equal("""{"Inventory number":"WS-17"}""", (await FileAsync(id))["words"]!["own"]!.ToJsonString());
        Assert.Empty((await server.GetAsync("/api/files?query=petr"))["items"]!.AsArray());
    }

    [Theory]
    [InlineData("Maker|maker", "already")]
    [InlineData("<b>", "letters, digits and spaces")]
    [InlineData(" ", "needs a name")]
    public async Task A_column_that_nobody_could_tell_apart_is_refused_in_words(string names, string sentence)
    {
        var (status, problem) = await server.SendAsync(HttpMethod.Put, "/api/columns", new { columns = names.Split('|') });
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Contains(sentence, (string)problem["detail"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_picture_with_an_address_of_its_own_is_there_without_its_location_and_stays_there_under_another_title()
    {
        await server.PageAsync("Home");
        var id = await server.TakeInAsync("museum-with-location.jpg");
        (await ChangeAsync(id, new { title = "The museum", hasOwnAddress = true })).EnsureSuccessStatusCode();
        var address = (string)(await FileAsync(id))["ownAddress"]!;
        Assert.Equal("pictures/the-museum.jpg", address);
        Assert.Contains(address, (await server.GetAsync("/api/publish"))["otherFiles"]!.AsArray().Select(f => (string)f!));
        await server.PostAsync("/api/publish");
        using (var there = Image.NewFromBuffer(await server.Http.GetByteArrayAsync("/live/" + address, Stop)))
            Assert.DoesNotContain(there.GetFields(), f => f.Contains("GPS", StringComparison.OrdinalIgnoreCase));

        // Another of the same title takes another address; a new title moves nothing.
        var other = await server.TakeInAsync("museum-door.jpg");
        (await ChangeAsync(other, new { title = "The museum", hasOwnAddress = true })).EnsureSuccessStatusCode();
        Assert.Equal("pictures/the-museum-2.jpg", (string)(await FileAsync(other))["ownAddress"]!);
        (await ChangeAsync(id, new { title = "The house from the path" })).EnsureSuccessStatusCode();
        Assert.Equal(address, (string)(await FileAsync(id))["ownAddress"]!);

        (await ChangeAsync(id, new { hasOwnAddress = false })).EnsureSuccessStatusCode();
        await server.PostAsync("/api/publish");
        Assert.Equal(HttpStatusCode.NotFound, (await server.Http.GetAsync("/live/" + address, Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await server.Http.GetAsync("/live/pictures/the-museum-2.jpg", Stop)).StatusCode);
    }
}
