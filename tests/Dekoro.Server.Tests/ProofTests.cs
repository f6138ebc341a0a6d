using System.Net;
using System.Text.Json.Nodes;
using NetVips;

namespace Dekoro.Server.Tests;

/// <summary>
/// The tool's own small pictures: which are made, of which version, and for how long they may be held.
/// </summary>
public sealed class ProofTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private async Task<(int Width, int Height)> SizeAsync(string path)
    {
        using var image = Image.NewFromBuffer(await server.Http.GetByteArrayAsync(path, Stop));
        return (image.Width, image.Height);
    }

    private static object Turned =>
        new
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

    [Fact]
    public async Task A_proof_that_names_its_version_is_held_for_ever_and_one_that_does_not_is_asked_for_again()
    {
        var id = await server.TakeInAsync("the-kite-hall.jpg");
        Assert.Equal((320, 400), await SizeAsync($"/media/proof/{id}.0/whole/320"));
        await server.PostAsync($"/api/files/{id}/versions", Turned);
        // The name of a version goes on meaning that version; the bare name means the one in use.
        Assert.Equal((320, 400), await SizeAsync($"/media/proof/{id}.0/whole/320"));
        Assert.Equal((320, 256), await SizeAsync($"/media/proof/{id}.1/whole/320"));
        Assert.Equal((320, 256), await SizeAsync($"/media/proof/{id}/whole/320"));
        async Task<string> CacheAsync(string name) =>
            (await server.Http.GetAsync($"/media/proof/{name}/whole/320", Stop)).Headers.CacheControl!.ToString();
        Assert.Contains("immutable", await CacheAsync(id + ".1"), StringComparison.Ordinal);
        Assert.Equal("no-cache", await CacheAsync(id));
    }

    [Theory]
    [InlineData("whole/321")]
    [InlineData("whole/40000")]
    [InlineData("0-0-9000-9000/320")]
    [InlineData("0-0-0-10/320")]
    [InlineData("-1-0-10-10/320")]
    [InlineData("0-0-4294967297-10/320")]
    [InlineData("everything/320")]
    public async Task Nothing_but_whole_cuts_at_the_fixed_widths_is_made(string rest)
    {
        var id = await server.TakeInAsync("line-reel.jpg");
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await server.Http.GetAsync($"/media/proof/{id}/{rest}", Stop)).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await server.Http.GetAsync($"/media/proof/{id}.7/whole/320", Stop)).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await server.Http.GetAsync($"/media/proof/{id}.x/whole/320", Stop)).StatusCode
        );
    }

    [Theory]
    [InlineData("16:9", 2240, 1260)]
    [InlineData("1:1", 2240, 2240)]
    [InlineData("4:5", 2240, 2800)]
    public async Task A_cut_in_a_shape_is_the_largest_there_is(string shape, int width, int height)
    {
        var id = await server.TakeInAsync("the-kite-hall.jpg");
        await server.PostAsync($"/api/files/{id}/versions/0/use", new { });
        var none = (JsonObject)(await server.GetAsync($"/api/files/{id}/room"))["look"]!["edits"]!;
        var cut = await server.PostAsync($"/api/files/{id}/room/cut?shape={shape}", none);
        var look = await server.PostAsync($"/api/files/{id}/room/look", new { edits = cut });
        Assert.Equal((width, height), ((int)look["width"]!, (int)look["height"]!));
    }

    [Theory]
    [InlineData("round")]
    [InlineData("0:3")]
    [InlineData("1:900")]
    public async Task A_shape_that_is_none_is_said_to_be_none(string shape)
    {
        var id = await server.TakeInAsync("the-kite-hall.jpg");
        var none = (JsonObject)(await server.GetAsync($"/api/files/{id}/room"))["look"]!["edits"]!;
        var (status, problem) = await server.SendAsync(
            HttpMethod.Post,
            $"/api/files/{id}/room/cut?shape={shape}",
            none
        );
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.EndsWith(".", (string)problem["detail"]!, StringComparison.Ordinal);
    }
}
