using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using NetVips;

namespace Dekoro.Server.Tests;

/// <summary>What a site has of its own for its pictures: columns, and addresses.</summary>
public sealed class OwnThingsTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private Task<HttpResponseMessage> ChangeAsync(string id, object change) =>
        server.Http.PatchAsJsonAsync($"/api/files/{id}", change, Stop);

    private async Task<JsonObject> FileAsync(string id) =>
        (JsonObject)(await server.GetAsync($"/api/files/{id}"))["file"]!;

    [Fact]
    public async Task A_word_under_an_own_column_is_kept_found_and_waits_while_the_column_is_out()
    {
        var id = await server.TakeInAsync("line-reel.jpg");
        await server.SendAsync(HttpMethod.Put, "/api/columns", new { columns = new[] { "Maker", "Inventory number" } });
        (
            await ChangeAsync(
                id,
                new
                {
                    own = new Dictionary<string, string> { ["Maker"] = "Joan Petrie", ["Inventory number"] = "WS-17" },
                }
            )
        ).EnsureSuccessStatusCode();
        Assert.Equal(
            id,
            (string)Assert.Single((await server.GetAsync("/api/files?query=petr"))["items"]!.AsArray())!["id"]!
        );
        Assert.Empty((await server.GetAsync("/api/files?query=vogel"))["items"]!.AsArray());
        await server.SendAsync(HttpMethod.Put, "/api/columns", new { columns = new[] { "Inventory number" } });
        Assert.Equal("Joan Petrie", (string)(await FileAsync(id))["words"]!["own"]!["Maker"]!);
        (
            await ChangeAsync(id, new { own = new Dictionary<string, string> { ["maker"] = " " } })
        ).EnsureSuccessStatusCode();
        Assert.Equal("""{"Inventory number":"WS-17"}""", (await FileAsync(id))["words"]!["own"]!.ToJsonString());
        Assert.Empty((await server.GetAsync("/api/files?query=petr"))["items"]!.AsArray());
    }

    [Fact]
    public async Task A_drawing_at_an_address_of_its_own_cannot_act_where_it_is_opened_by_itself()
    {
        await server.PageAsync("Drawings");
        var id = await server.TakeInAsync("bunting.svg");
        (await ChangeAsync(id, new { hasOwnAddress = true })).EnsureSuccessStatusCode();
        await server.PostAsync("/api/publish");
        var address = (string)(await FileAsync(id))["ownAddress"]!;
        var there = await server.Http.GetAsync("/live/" + address, Stop);
        Assert.Equal("image/svg+xml", there.Content.Headers.ContentType!.MediaType);
        var policy = Assert.Single(there.Headers.GetValues("Content-Security-Policy"));
        Assert.Contains("sandbox", policy, StringComparison.Ordinal);
        Assert.Contains("default-src 'none'", policy, StringComparison.Ordinal);
        // Taken away, it is gone from the public site with the next publishing, which says so before.
        await server.PostAsync("/api/files/away", new { ids = new[] { id } });
        Assert.Contains(
            address,
            (await server.GetAsync("/api/publish"))["otherFiles"]!.AsArray().Select(f => (string)f!)
        );
        await server.PostAsync("/api/publish");
        Assert.Equal(HttpStatusCode.NotFound, (await server.Http.GetAsync("/live/" + address, Stop)).StatusCode);
    }

    [Fact]
    public async Task Where_two_pictures_become_one_the_address_of_the_one_that_goes_leads_to_the_other()
    {
        var (goes, stays) = (
            await server.TakeInAsync("storm-kite-from-ana.jpg"),
            await server.TakeInAsync("storm-kite-shaken.jpg")
        );
        (
            await ChangeAsync(
                goes,
                new { hasOwnAddress = true, own = new Dictionary<string, string> { ["Maker"] = "Ana" } }
            )
        ).EnsureSuccessStatusCode();
        var address = (string)(await FileAsync(goes))["ownAddress"]!;
        await server.PostAsync($"/api/files/{goes}/merge", new { into = stays });
        Assert.Equal(address, (string)(await FileAsync(stays))["ownAddress"]!);
        Assert.Equal("Ana", (string)(await FileAsync(stays))["words"]!["own"]!["Maker"]!);
    }

    [Theory]
    [InlineData("Maker|maker", "already")]
    [InlineData("<b>", "letters, digits and spaces")]
    [InlineData(" ", "needs a name")]
    public async Task A_column_that_nobody_could_tell_apart_is_refused_in_words(string names, string sentence)
    {
        var (status, problem) = await server.SendAsync(
            HttpMethod.Put,
            "/api/columns",
            new { columns = names.Split('|') }
        );
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Contains(sentence, (string)problem["detail"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_picture_with_an_address_of_its_own_is_there_and_stays_there_under_another_title()
    {
        await server.PageAsync("Home");
        var id = await server.TakeInAsync("museum-with-location.jpg");
        (await ChangeAsync(id, new { title = "The museum", hasOwnAddress = true })).EnsureSuccessStatusCode();
        var address = (string)(await FileAsync(id))["ownAddress"]!;
        Assert.Equal("pictures/the-museum.jpg", address);
        Assert.Contains(
            address,
            (await server.GetAsync("/api/publish"))["otherFiles"]!.AsArray().Select(f => (string)f!)
        );
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
        Assert.Equal(
            HttpStatusCode.OK,
            (await server.Http.GetAsync("/live/pictures/the-museum-2.jpg", Stop)).StatusCode
        );
    }
}
