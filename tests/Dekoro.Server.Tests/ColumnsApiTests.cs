using System.Net;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

/// <summary>Pictures in cells are pictures of the page in everything that asks for them.</summary>
public sealed class ColumnsApiTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static object Picture(string asset, string? shape = null) =>
        new
        {
            type = "figure",
            attrs = new
            {
                asset,
                shape,
                size = "cell",
            },
        };

    private static object Cell(params object[] content) => new { type = "cell", content };

    private static object Columns(int inRow, params object[] cells) =>
        new
        {
            type = "columns",
            attrs = new { inRow, extent = "wide" },
            content = cells,
        };

    [Fact]
    public async Task A_picture_in_a_cell_is_used_there_beside_the_cell_s_own_words_and_is_not_taken_away()
    {
        var id = await server.TakeInAsync("bridle-ring.jpg");
        await server.PageAsync(
            "Steps",
            ServerFixture.Text("Outside."),
            Columns(
                3,
                Cell(Picture(id), ServerFixture.Text("Move the ring a finger up.")),
                Cell(ServerFixture.Text("Another cell."))
            )
        );
        var place = Assert.Single((await server.GetAsync($"/api/files/{id}"))["standsIn"]!.AsArray())!;
        Assert.Equal(
            ("Steps", "a cell", "Move the ring a finger up."),
            ((string)place["pageTitle"]!, (string)place["size"]!, (string)place["beside"]!)
        );
        Assert.Equal(
            id,
            (string)
                Assert.Single((await server.GetAsync("/api/files?query=used"))["items"]!.AsArray(), i =>
                    (string)i!["id"]! == id
                )!["id"]!
        );
        var away = await server.PostAsync("/api/files/away", new { ids = new[] { id } });
        Assert.Empty(away["away"]!.AsArray());
        Assert.Equal("Steps", (string)away["standing"]![0]!["pages"]![0]!);
    }

    [Fact]
    public async Task A_swap_reaches_into_cells_and_shows_before_and_after_at_the_cell_s_width()
    {
        var (small, large) = (
            await server.TakeInAsync("serpent-small.jpg"),
            await server.TakeInAsync("the-kite-hall.jpg")
        );
        var page = await server.PageAsync("Swap", Columns(2, Cell(Picture(small, "3:2")), Cell(Picture(small))));
        var preview = await server.Http.GetStringAsync($"/api/files/{small}/swap?with={large}", Stop);
        var places = JsonNode.Parse(preview)!.AsArray().Where(p => (string)p!["pageTitle"]! == "Swap").ToList();
        Assert.Equal(2, places.Count);
        // Half of the wide column at 1280: far more than the serpent has.
        Assert.All(places, p => Assert.Equal(528, (double)p!["before"]!["desktop"]!["slotCssPx"]!, 6));
        Assert.All(places, p =>
            Assert.Equal(
                ("coarse", "sharp"),
                ((string)p!["before"]!["desktop"]!["word"]!, (string)p["after"]!["desktop"]!["word"]!)
            )
        );
        await server.PostAsync($"/api/files/{small}/swap", new { with = large });
        var cells = (await server.GetAsync($"/api/pages/{page}/draft"))["document"]!["content"]![0]![
            "content"
        ]!.AsArray();
        Assert.All(cells, c => Assert.Equal(large, (string)c!["content"]![0]!["attrs"]!["asset"]!));
    }

    [Fact]
    public async Task In_the_room_a_cut_in_a_cell_stands_beside_the_picture_and_no_other_size_is_offered_for_it()
    {
        var id = await server.TakeInAsync("serpent-small.jpg");
        await server.PageAsync("Room", Columns(2, Cell(Picture(id, "1:1"))));
        var cut = Assert.Single((await server.GetAsync($"/api/files/{id}/room"))["look"]!["cuts"]!.AsArray(), c =>
            (string)c!["pageTitle"]! == "Room"
        )!;
        Assert.Equal(("a cell", "1:1"), ((string)cut["size"]!, (string)cut["shape"]!));
        Assert.Null(cut["remedy"]!["size"]);
    }

    [Fact]
    public async Task Published_cells_hold_their_pictures_and_cells_with_nothing_are_not_published()
    {
        var id = await server.TakeInAsync("two-lanterns.jpg");
        var page = await server.PageAsync(
            "Cells",
            Columns(4, Cell(Picture(id)), Cell()),
            ServerFixture.Text("Between."),
            Columns(2, Cell(), Cell())
        );
        // Kept as they are: the empty ones wait on the desk.
        Assert.Equal(
            ["columns", "paragraph", "columns"],
            (await server.GetAsync($"/api/pages/{page}/draft"))["document"]!["content"]!
                .AsArray()
                .Select(b => (string)b!["type"]!)
        );
        await server.PostAsync("/api/publish");
        var path = (string)(await server.GetAsync($"/api/pages/{page}/draft"))["path"]!;
        var html = await server.Http.GetStringAsync(path.Length == 0 ? "/live/" : $"/live/{path}/", Stop);
        Assert.Single(System.Text.RegularExpressions.Regex.Matches(html, "class=\"cells "));
        var source = System.Text.RegularExpressions.Regex.Match(html, "<img[^>]* src=\"([^\"]+)\"").Groups[1].Value;
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await server.Http.GetAsync(
                    new Uri(new Uri("http://localhost/live/" + (path.Length == 0 ? "" : path + "/")), source),
                    Stop
                )
            ).StatusCode
        );
    }

    [Fact]
    public async Task Pictures_are_looked_at_through_a_cell_and_what_names_no_cell_is_refused()
    {
        await server.TakeInAsync("line-reel.jpg");
        var seen = await server.GetAsync("/api/files?size=cell-4-wide&shape=3:2");
        Assert.All(seen["items"]!.AsArray(), i =>
            Assert.Equal(252, (double)i!["through"]!["desktop"]!["slotCssPx"]!, 6)
        );
        Assert.NotEmpty(seen["items"]!.AsArray());
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await server.Http.GetAsync("/api/files?size=cell-9-wide", Stop)).StatusCode
        );
    }
}
