namespace Dekoro.Core.Content;

/// <summary>Puts another picture into places where one stands.</summary>
public static class Swapping
{
    /// <param name="altByBlock">The figures that change, by block id, each with the words it has of its own from then
    /// on; null takes the library's.</param>
    /// <returns>The document with all else as it was: what was written for the old picture is not said of the new
    /// one.</returns>
    public static Document Swap(
        Document document,
        string fromAsset,
        string toAsset,
        IReadOnlyDictionary<string, string?> altByBlock
    ) =>
        document.WithFigures(figure =>
            altByBlock.TryGetValue(figure.Id, out var alt)
                ? figure.WithAsset(fromAsset, toAsset) with
                {
                    Alt = figure.AssetId == fromAsset ? figure.Alt with { Own = alt } : figure.Alt,
                }
                : figure
        );
}
