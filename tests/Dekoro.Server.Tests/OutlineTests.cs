using System.Net;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

/// <summary>The order and shape of what a search finds, against the pictures it gives page by page.</summary>
public sealed class OutlineTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    [Theory]
    [InlineData("")]
    [InlineData("query=shape:wide")]
    [InlineData("size=half&shape=1:1")]
    [InlineData("query=reel&size=column")]
    public async Task An_outline_lists_what_the_pages_give_in_their_order_and_shape(string search)
    {
        foreach (
            var name in new[]
            {
                "line-reel.jpg",
                "two-lanterns.jpg",
                "box-kite.jpg",
                "the-kite-hall.jpg",
                "marram-grass.jpg",
            }
        )
            await server.TakeInAsync(name);
        var outline = await server.GetAsync($"/api/files/outline?{search}");
        var paged = new List<JsonNode>();
        for (var skip = 0; skip < 6; skip += 2)
            paged.AddRange(
                (await server.GetAsync($"/api/files?take=2&skip={skip}&{search}"))["items"]!.AsArray().Select(i => i!)
            );
        Assert.NotEmpty(paged);
        Assert.Equal(paged.Select(i => (string)i["id"]!), outline["ids"]!.AsArray().Select(i => (string)i!));
        Assert.Equal(
            paged.Select(i =>
            {
                var drawn = i["through"] is { } through ? through["cut"]! : i;
                return (int)Math.Round(1000 * (double)drawn["width"]! / (double)drawn["height"]!);
            }),
            outline["shapes"]!.AsArray().Select(s => (int)s!)
        );
    }

    [Fact]
    public async Task Some_are_looked_up_in_the_order_asked_for_and_what_is_gone_is_left_out()
    {
        var (one, two) = (await server.TakeInAsync("line-reel.jpg"), await server.TakeInAsync("two-lanterns.jpg"));
        var (status, body) = await server.SendAsync(
            HttpMethod.Post,
            "/api/files/these",
            new { ids = new[] { two, "never-there", one, two } }
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal([two, one], body["items"]!.AsArray().Select(i => (string)i!["id"]!));
        var (tooMany, problem) = await server.SendAsync(
            HttpMethod.Post,
            "/api/files/these",
            new { ids = Enumerable.Range(0, 5001).Select(i => $"{i}") }
        );
        Assert.Equal(HttpStatusCode.BadRequest, tooMany);
        Assert.Contains("At most 5000", (string)problem["detail"]!, StringComparison.Ordinal);
    }
}
