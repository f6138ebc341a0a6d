using System.Net;
using System.Net.Http.Json;

namespace Dekoro.Server.Tests;

/// <summary>Pictures that look the same: found whenever they come, and what is said of them is remembered.</summary>
public sealed class TwinApiTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Copies_that_come_at_the_same_moment_find_each_other_and_two_that_are_not_the_same_stay_two()
    {
        var first = await server.TakeInAsync("box-kite.jpg");
        var copies = await Task.WhenAll(
            new[] { 700, 800, 900, 1000 }.Select(async width =>
                await (
                    await server.Http.GetAsync($"/api/files/{first}/download?width={width}&format=webp", Stop)
                ).Content.ReadAsByteArrayAsync(Stop)
            )
        );
        var taken = await Task.WhenAll(copies.Select((bytes, i) => server.GiveAsync($"copy {i}.webp", bytes)));
        string[] all = [first, .. taken.Select(t => (string)t["id"]!)];
        foreach (var id in all)
            Assert.Equal(all.Except([id]).Order(), (await AlikeAsync(id)).Order());

        var pair = $"/api/files/{all[1]}/twins/{all[2]}";
        var told = await server.GetAsync(pair);
        Assert.Equal((1.0, 0), ((double)told["scale"]!, told["otherwise"]!.AsArray().Count));
        foreach (var path in new[] { $"{pair}/difference", $"/api/files/{all[2]}/original" })
            Assert.Equal("image/webp", (await server.Http.GetAsync(path, Stop)).Content.Headers.ContentType!.MediaType);
        Assert.Equal(HttpStatusCode.NoContent, await SayAsync(pair, areSame: false));
        Assert.DoesNotContain(all[2], await AlikeAsync(all[1]));
        Assert.DoesNotContain(all[1], await AlikeAsync(all[2]));
        Assert.Contains(all[3], await AlikeAsync(all[1]));
        Assert.Equal(HttpStatusCode.NoContent, await SayAsync(pair, areSame: true));
        Assert.Contains(all[2], await AlikeAsync(all[1]));
        Assert.Equal(HttpStatusCode.NotFound, await SayAsync($"/api/files/{first}/twins/{first}", areSame: false));
    }

    private async Task<HttpStatusCode> SayAsync(string pair, bool areSame) =>
        (await server.Http.PutAsJsonAsync(pair, new { areSame }, Stop)).StatusCode;

    private async Task<IEnumerable<string>> AlikeAsync(string id) =>
        (await server.GetAsync($"/api/files/{id}"))["lookAlikes"]!.AsArray().Select(one => (string)one!["id"]!);
}
