using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Content;

namespace Dekoro.Core.Banners;

/// <summary>The band that a banner is.</summary>
internal static class BannerBand
{
    private const string Sentence = "A banner is one band: words over a picture, several pictures, a film or a colour.";

    /// <param name="written">A piece as documents write it.</param>
    /// <returns>The band; or null, with a sentence that says what is wrong.</returns>
    public static (BandBlock? Band, string Sentence) Read(JsonElement written)
    {
        if (written.ValueKind != JsonValueKind.Object)
            return (null, Sentence);
        var page = new JsonObject
        {
            ["type"] = "doc",
            ["content"] = new JsonArray(JsonNode.Parse(written.GetRawText())),
        };
        var reading = DocumentReader.Read(JsonSerializer.SerializeToElement(page));
        return reading.Document?.Blocks is [BandBlock band]
            ? (band, "")
            : (null, reading.Errors.IsDefaultOrEmpty ? Sentence : reading.Errors[0].Sentence);
    }

    /// <summary>
    /// What of a band on a page a banner has too: a small line, the title, the text, and as many buttons as it may.
    /// </summary>
    public static BandBlock Of(BandBlock band)
    {
        var title = band.Blocks.OfType<HeadingBlock>().FirstOrDefault();
        var at = title is null ? 0 : band.Blocks.IndexOf(title);
        ImmutableArray<Block> words =
        [
            .. band.Blocks.Take(at).OfType<ParagraphBlock>().Take(1).Select(line => line with { IsSmall = true }),
            .. title is null ? Array.Empty<Block>() : [title with { Level = 2 }],
            .. band.Blocks.Skip(at).OfType<ParagraphBlock>(),
            .. band.Blocks.OfType<ButtonBlock>().Take(Banner.MaxButtons),
        ];
        return band with { Id = Banner.BlockId, Blocks = words };
    }
}
