namespace Dekoro.Core.Content;

/// <summary>Puts pieces that were read elsewhere into a page.</summary>
public static class Inserting
{
    /// <param name="afterBlockId">The piece they follow; null or unknown puts them at the end.</param>
    /// <param name="newId">A fresh id for each piece that comes: two pages never share one.</param>
    public static Document Into(Document page, string? afterBlockId, Document pieces, Func<string> newId)
    {
        var at = afterBlockId is null ? -1 : page.Blocks.Select(b => b.Id).ToList().IndexOf(afterBlockId);
        return new(
            page.Blocks.InsertRange(
                at < 0 ? page.Blocks.Length : at + 1,
                Walk.Changed(pieces.Blocks, b => b with { Id = newId() })
            )
        );
    }

    /// <summary>The same words with some pictures taken out, or put in as others.</summary>
    /// <param name="assetOf">The picture to stand in a picture's place; null takes the place out.</param>
    public static Document WithPictures(Document pieces, Func<string, string?> assetOf) =>
        pieces.WithFigures(figure => assetOf(figure.AssetId) is { } id ? figure.WithAsset(figure.AssetId, id) : null);
}
