using System.Collections.Immutable;

namespace Dekoro.Core.Documents;

/// <summary>Puts pieces that were read elsewhere into a page.</summary>
public static class Inserting
{
    /// <param name="afterBlockId">The piece they follow; null or unknown puts them at the end.</param>
    /// <param name="newId">A fresh id for each piece that comes: two pages never share one.</param>
    public static Document Into(Document page, string? afterBlockId, Document pieces, Func<string> newId)
    {
        var at = afterBlockId is null ? -1 : page.Blocks.Select(b => b.Id).ToList().IndexOf(afterBlockId);
        return new(page.Blocks.InsertRange(at < 0 ? page.Blocks.Length : at + 1, pieces.Blocks.Select(b => Renamed(b, newId))));
    }

    /// <summary>The same words with some pictures taken out, or put in as others.</summary>
    /// <param name="assetOf">The picture to stand in a picture's place; null takes the place out.</param>
    public static Document WithPictures(Document pieces, Func<string, string?> assetOf) =>
        pieces.WithFigures(figure => assetOf(figure.AssetId) is { } id ? figure.WithAsset(figure.AssetId, id) : null);

    private static Block Renamed(Block block, Func<string> newId) => block switch
    {
        ListBlock list => list with { Id = newId(), Items = [.. list.Items.Select(item => item.Select(b => Renamed(b, newId)).ToImmutableArray())] },
        QuoteBlock quote => quote with { Id = newId(), Blocks = [.. quote.Blocks.Select(b => Renamed(b, newId))] },
        ColumnsBlock columns => columns with
        {
            Id = newId(),
            Cells = [.. columns.Cells.Select(cell => (CellBlock)Renamed(cell, newId))],
        },
        GroundedBlock grounded => grounded with { Id = newId(), Blocks = [.. grounded.Blocks.Select(b => Renamed(b, newId))] },
        _ => block with { Id = newId() },
    };
}
