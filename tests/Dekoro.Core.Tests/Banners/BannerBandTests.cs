using System.Text.Json;
using Dekoro.Core.Banners;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Tests.Banners;

/// <summary>The band that a banner is: what it has of its own at a width, and what it takes over from a page.</summary>
public class BannerBandTests
{
    private const string Written = """
        {
          "type": "band",
          "attrs": {
            "id": "b", "picture": "wide", "across": "right",
            "at": {
              "phone": {
                "picture": "tall", "across": "centre", "without": ["text", "title"],
                "cut": { "of": "tall", "x": 0.2, "y": 0.5, "width": 0.4, "height": 0.3 }
              },
              "tablet": {}
            }
          },
          "content": [
            { "type": "paragraph", "attrs": { "id": "line" }, "content": [{ "type": "text", "text": "In June" }] },
            {
              "type": "heading", "attrs": { "id": "title", "level": 3 },
              "content": [{ "type": "text", "text": "Up" }]
            },
            { "type": "figure", "attrs": { "id": "f", "asset": "wide" } },
            { "type": "paragraph", "attrs": { "id": "text" }, "content": [{ "type": "text", "text": "Daily." }] }
          ]
        }
        """;

    private static Document Page(string band)
    {
        using var json = JsonDocument.Parse($$"""{ "type": "doc", "content": [{{band}}] }""");
        return DocumentReader.Read(json.RootElement).Document!;
    }

    private static BandBlock Band => (BandBlock)Page(Written).Blocks[0];

    [Fact]
    public void At_a_width_words_are_fewer_and_stand_elsewhere_and_no_title_goes()
    {
        var phone = Band.On(WidthClass.Phone);
        Assert.Equal(["line", "title", "f"], phone.Blocks.Select(b => b.Id));
        Assert.Equal((HorizontalAlign.Centre, VerticalAlign.Middle), (phone.Across, phone.Down));
        Assert.Equal(Band.Blocks.Length, Band.On(WidthClass.Desktop).Blocks.Length);
        Assert.Null(Band.Exceptions.Tablet);
        Assert.Equal("tall", Band.Behind!.On(WidthClass.Phone).AssetId);
        Assert.Equal(0.5, Band.KeepOn(WidthClass.Phone, "tall")!.Value.Y);
        // Of another picture it says nothing.
        Assert.Null(Band.KeepOn(WidthClass.Phone, "wide"));
        Assert.Null(Band.KeepOn(WidthClass.Desktop, "tall"));
    }

    [Fact]
    public void It_is_written_as_it_is_read_and_a_swap_reaches_its_pictures_at_every_width()
    {
        var page = Page(Written);
        var again = DocumentReader.Read(JsonSerializer.SerializeToElement(DocumentWriter.Write(page))).Document!;
        Assert.Equal(DocumentWriter.Write(page).ToJsonString(), DocumentWriter.Write(again).ToJsonString());
        var swapped = Swapping.Swap(page, "tall", "taller", new Dictionary<string, string?> { ["b"] = null });
        Assert.Equal("taller", ((BandBlock)swapped.Blocks[0]).Exceptions.Phone!.AssetId);
        Assert.Equal("wide", ((BandBlock)swapped.Blocks[0]).Backdrop.AssetId);
        // As a pattern it has one picture, and what was chosen for the phone is not lost over that.
        var pattern = Page(Written.Replace("\"picture\": \"wide\"", "\"picture\": \"wide\", \"repeats\": true"));
        var tiled = (BandBlock)pattern.WithFigures(figure => figure with { AssetId = "tile" }).Blocks[0];
        Assert.Equal(("tile", "tall"), (tiled.Backdrop.AssetId!, tiled.Exceptions.Phone!.AssetId!));
        Assert.Contains("tall", page.Figures.SelectMany(f => f.Assets));
    }

    [Fact]
    public void A_banner_takes_from_a_band_what_banners_have_and_is_named_by_its_title()
    {
        using var json = JsonDocument.Parse(Written);
        var values = new BannerBeginning("", "home", null, Band: json.RootElement.Clone()).With(Srgb.Black);
        Assert.Equal("Up", values.Name);
        var band = values.Check("x").Banner!.Band;
        Assert.Equal(["line", "title", "text"], band.Blocks.Select(b => b.Id));
        Assert.True(((ParagraphBlock)band.Blocks[0]).IsSmall);
        Assert.Equal(2, ((HeadingBlock)band.Blocks[1]).Level);
        Assert.Equal("tall", band.Exceptions.Phone!.AssetId);
        using var none = JsonDocument.Parse("""{ "type": "paragraph" }""");
        var refused = new BannerBeginning("", "home", null, Band: none.RootElement.Clone()).With(Srgb.Black).Check("x");
        Assert.Equal("band", refused.Field);
    }
}
