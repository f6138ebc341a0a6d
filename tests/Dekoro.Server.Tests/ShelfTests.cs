using System.Text;
using System.Text.Json.Nodes;
using Dekoro.Imaging;
using Dekoro.Intake.Shelf;
using NetVips;

namespace Dekoro.Server.Tests;

/// <summary>The patterns that ship with Dekoro.</summary>
public sealed class ShelfTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    public static TheoryData<string> Ids => [.. PatternShelf.All.Select(p => p.Id)];

    [Fact]
    public void There_are_24_half_of_them_see_through_and_no_two_alike()
    {
        Assert.Equal((24, 12), (PatternShelf.All.Length, PatternShelf.All.Count(p => p.HasTransparency)));
        Assert.Equal(24, PatternShelf.All.Select(p => p.Svg).Distinct().Count());
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_tile_meets_itself_at_every_edge_is_clean_and_see_through_where_it_says_so(string id)
    {
        var pattern = PatternShelf.All.First(p => p.Id == id);
        var (cleaned, tookOut) = SvgCleaner.Clean(new MemoryStream(Encoding.UTF8.GetBytes(pattern.Svg)));
        Assert.False(tookOut);
        using var drawn = Image.NewFromBuffer(cleaned);
        Assert.Equal((PatternShelf.TilePx, PatternShelf.TilePx), (drawn.Width, drawn.Height));
        Assert.Equal(pattern.HasTransparency, drawn.HasAlpha() && drawn[drawn.Bands - 1].Min() < 255);
        using var flat = drawn
            .Flatten(background: [128.0])
            .Colourspace(Enums.Interpretation.Bw)
            .Cast(Enums.BandFormat.Double);
        // Laid beside itself, the seam changes no more than the tile does somewhere within.
        foreach (var one in new[] { flat, flat.Rot90() })
        {
            var tones = one[0].WriteToMemory<double>();
            double Step(int from, int to) =>
                Enumerable
                    .Range(0, one.Height)
                    .Average(y => Math.Abs(tones[y * one.Width + from] - tones[y * one.Width + to]));
            var within = Enumerable.Range(0, one.Width - 1).Max(x => Step(x, x + 1));
            Assert.InRange(Step(one.Width - 1, 0), 0, within + 0.5);
        }
    }

    [Fact]
    public async Task What_is_taken_from_the_shelf_is_in_the_library_with_its_words_once()
    {
        async Task<JsonArray> TakeAsync() =>
            (await server.PostAsync("/api/shelf/take", new { ids = new[] { "waves", "dots-clear" } }))[
                "files"
            ]!.AsArray();
        var first = await TakeAsync();
        Assert.All(await TakeAsync(), file => Assert.True((bool)file!["wasThere"]!));
        var file = (await server.GetAsync($"/api/files/{first[1]!["id"]}"))["file"]!;
        Assert.Equal(
            ("Dots, see-through", "Patterns", true),
            ((string)file["words"]!["title"]!, (string)file["words"]!["folder"]!, (bool)file["hasAlpha"]!)
        );
    }
}
