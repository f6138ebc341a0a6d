using System.Globalization;
using Dekoro.Application.Pictures;
using Dekoro.Core.Delivery;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Publishing;

namespace Dekoro.Application.Preview;

/// <summary>The desk's pictures: fixed proof widths, one format, always there at once.</summary>
public sealed class ProofAddresses : IFileAddresses
{
    /// <inheritdoc/>
    public string AddressOf(PlannedFile file, string root) =>
        file.IsUnchanged
            ? OriginalOf(file)
            : string.Create(
                CultureInfo.InvariantCulture,
                $"/media/proof/{file.AssetId}/{file.Cut}/{ProofWidth(file.WidthPx)}"
            );

    /// <inheritdoc/>
    public IReadOnlyList<IReadOnlyList<PlannedFile>> Offered(PlannedCut cut) =>
        cut.IsUnchanged
            ?
            [
                [.. cut.FilesIn(OutputFormat.Svg)],
            ]
            :
            [
                [
                    .. RenditionMaker
                        .ProofWidths.Where(w => w <= cut.Cut.Width)
                        .DefaultIfEmpty(RenditionMaker.ProofWidths[0])
                        .Select(w => new PlannedFile(NameOf(cut.Picture), cut.Cut, w, OutputFormat.WebP)),
                ],
            ];

    internal static string OriginalOf(PlannedFile file) => $"/media/original/{file.AssetId}";

    /// <summary>Names a picture with its version, so that its proofs can be held for ever.</summary>
    public static string NameOf(PictureFacts picture) =>
        string.Create(CultureInfo.InvariantCulture, $"{picture.Id}.{picture.Edition}");

    private static int ProofWidth(int widthPx) =>
        RenditionMaker.ProofWidths.FirstOrDefault(w => w >= widthPx, RenditionMaker.ProofWidths[^1]);
}
