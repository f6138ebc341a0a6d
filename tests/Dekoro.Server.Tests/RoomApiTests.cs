using System.Net;
using System.Net.Http.Json;

namespace Dekoro.Server.Tests;

public sealed class RoomApiTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static object EditsOf(int turns = 0, double straighten = 0, double[]? window = null, int light = 0)
    {
        var w = window ?? [0, 0, 1, 1];
        return new
        {
            quarterTurns = turns,
            isMirrored = false,
            straightenDeg = straighten,
            window = new
            {
                x = w[0],
                y = w[1],
                width = w[2],
                height = w[3],
            },
            adjustments = new { light },
        };
    }

    [Fact]
    public async Task A_version_changes_every_place_at_once_and_the_original_comes_back_whole()
    {
        var id = await server.TakeInAsync("the-kite-hall.jpg");
        var page = await server.PageAsync(
            "Hall",
            new
            {
                type = "figure",
                attrs = new
                {
                    asset = id,
                    size = "column",
                    shape = "16:9",
                },
            }
        );
        var before = await server.GetAsync($"/api/files/{id}/room");
        Assert.Equal(
            (2240, 2800, 1),
            ((int)before["look"]!["width"]!, (int)before["look"]!["height"]!, before["versions"]!.AsArray().Count)
        );
        var turned = await server.PostAsync($"/api/files/{id}/versions", new { edits = EditsOf(turns: 1, light: 20) });
        Assert.Equal((2800, 2240), ((int)turned["file"]!["width"]!, (int)turned["file"]!["height"]!));
        Assert.Equal(["Original", "Turned, lighter"], turned["versions"]!.AsArray().Select(v => (string)v!["what"]!));
        // The page is drawn with the new version, under a name of its own.
        var name = (string)turned["file"]!["picture"]!;
        Assert.Equal(id + ".1", name);
        Assert.Contains(
            $"/media/proof/{name}/",
            await server.Http.GetStringAsync($"/proof/{page}?desk", Stop),
            StringComparison.Ordinal
        );
        var cut = Assert.Single(turned["look"]!["cuts"]!.AsArray())!["look"]!["cut"]!;
        Assert.Equal((2800, 1575), ((int)cut["width"]!, (int)cut["height"]!));
        // The keep area went round with the picture.
        var (was, now) = (before["look"]!["keep"]!, turned["look"]!["keep"]!);
        Assert.Equal(1 - (double)was["y"]! - (double)was["height"]!, (double)now["x"]!, 3);
        Assert.Equal((double)was["x"]!, (double)now["y"]!, 3);
        // A later state of the same work takes its place.
        var later = await server.PostAsync(
            $"/api/files/{id}/versions",
            new { edits = EditsOf(turns: 1, light: 30, window: [0.1, 0.1, 0.5, 0.5]), replaces = 1 }
        );
        Assert.Equal(
            ["Original", "Cut, turned, lighter"],
            later["versions"]!.AsArray().Select(v => (string)v!["what"]!)
        );
        Assert.Equal(1400, (int)later["file"]!["width"]!);
        var back = await server.PostAsync($"/api/files/{id}/versions/0/use", new { });
        Assert.Equal(
            (2240, 2800, id + ".0"),
            ((int)back["file"]!["width"]!, (int)back["file"]!["height"]!, (string)back["file"]!["picture"]!)
        );
        Assert.Equal(was.ToJsonString(), back["look"]!["keep"]!.ToJsonString());
    }

    [Fact]
    public async Task A_look_keeps_nothing_and_names_what_a_tight_cut_costs_with_its_remedy()
    {
        var id = await server.TakeInAsync("delta-close-up.jpg");
        await server.PageAsync("Delta", new { type = "figure", attrs = new { asset = id, size = "wide" } });
        var look = await server.PostAsync(
            $"/api/files/{id}/room/look",
            new { edits = EditsOf(window: [0.2, 0.2, 0.3, 0.3]) }
        );
        var place = Assert.Single(look["cuts"]!.AsArray())!;
        Assert.Equal("coarse", (string)place["look"]!["desktop"]!["word"]!);
        Assert.Contains("px", (string)place["remedy"]!["sentence"]!, StringComparison.Ordinal);
        Assert.Single((await server.GetAsync($"/api/files/{id}/room"))["versions"]!.AsArray());
        Assert.Equal(["3:2", "16:9", "1:1", "4:5"], look["shapes"]!.AsArray().Select(x => (string)x!["shape"]!));
        var scales = await server.GetAsync("/api/room/scales");
        Assert.All(new[] { "light", "contrast", "shadows", "warmth" }, name =>
            Assert.Equal(41, scales[name]!.AsArray().Count)
        );
        Assert.Equal(
            3,
            (int)(await server.PostAsync($"/api/files/{id}/room/turn?quarters=-1", EditsOf()))["quarterTurns"]!
        );
    }

    [Theory]
    [InlineData("?width=800&format=webp", 200, "image/webp")]
    [InlineData("?width=800&height=800&fit=cut&format=png", 200, "image/png")]
    [InlineData("?width=300&height=900&fit=stretch", 200, "image/jpeg")]
    [InlineData("?width=9000", 400, "blown up")]
    [InlineData("?width=0", 400, "from 1 to 20000")]
    [InlineData("?format=gif", 400, "jpeg, png, webp or avif")]
    public async Task A_picture_is_given_out_at_a_size_and_in_a_format(string query, int status, string says)
    {
        var id = await server.TakeInAsync("box-kite.jpg");
        var answer = await server.Http.GetAsync($"/api/files/{id}/download{query}", Stop);
        Assert.Equal(status, (int)answer.StatusCode);
        if (status == 200)
            Assert.Equal(says, answer.Content.Headers.ContentType!.MediaType);
        else
            Assert.Contains(says, await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        if (status != 200)
            return;
        Assert.Matches(@"^box-kite-\d+\.(webp|png|jpg)$", answer.Content.Headers.ContentDisposition!.FileNameStar);
    }

    [Fact]
    public async Task What_cannot_be_edited_says_why_and_edits_beyond_their_scale_say_what_is_allowed()
    {
        var drawing = await server.TakeInAsync("bunting.svg");
        var answer = await server.Http.PostAsJsonAsync(
            $"/api/files/{drawing}/versions",
            new { edits = EditsOf(turns: 1) },
            Stop
        );
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains(
            "kept as it is",
            (string)(await server.GetAsync($"/api/files/{drawing}/room"))["cannotEdit"]!,
            StringComparison.Ordinal
        );
        var id = await server.TakeInAsync("line-reel.jpg");
        foreach (
            var wrong in new[]
            {
                EditsOf(straighten: 40),
                EditsOf(window: [0.5, 0.5, 0.9, 0.9]),
                EditsOf(window: [0, 0, 0.001, 1]),
                EditsOf(light: 500),
            }
        )
        {
            var refused = await server.Http.PostAsJsonAsync($"/api/files/{id}/versions", new { edits = wrong }, Stop);
            Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
            Assert.Contains("at most", await refused.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task Evening_out_and_a_guess_of_the_keep_area_are_offered_and_kept_only_when_taken()
    {
        var id = await server.TakeInAsync("storm-kite-shaken.jpg");
        var even = await server.GetAsync($"/api/files/{id}/room/even");
        Assert.True((int)even["light"]! > 0 || (int)even["contrast"]! > 0);
        var guess = await server.GetAsync($"/api/files/{id}/room/guess");
        Assert.InRange((double)guess["width"]!, 0.01, 1);
        Assert.Single((await server.GetAsync($"/api/files/{id}/room"))["versions"]!.AsArray());
    }
}
