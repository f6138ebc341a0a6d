using System.Globalization;
using Dekoro.Core.Library;
using Dekoro.Core.Planning;
using Dekoro.Publishing;
using Dekoro.Storage;

namespace Dekoro.Server.Work;

/// <summary>The desk's pictures: fixed proof widths, one format, always there at once.</summary>
public sealed class ProofAddresses : IFileAddresses
{
    public string AddressOf(PlannedFile file, string root) => file.IsUnchanged
        ? OriginalOf(file)
        : string.Create(CultureInfo.InvariantCulture, $"/media/proof/{file.AssetId}/{file.Cut}/{ProofWidth(file.WidthPx)}");

    public IReadOnlyList<IReadOnlyList<PlannedFile>> Offered(PlannedCut cut) => cut.IsUnchanged
        ? [[.. cut.FilesIn(OutputFormat.Svg)]]
        : [[.. RenditionMaker.ProofWidths.Where(w => w <= cut.Cut.Width).DefaultIfEmpty(RenditionMaker.ProofWidths[0])
            .Select(w => new PlannedFile(NameOf(cut.Picture), cut.Cut, w, OutputFormat.WebP))]];

    internal static string OriginalOf(PlannedFile file) => $"/media/original/{file.AssetId}";

    /// <summary>Names a picture with its version, so that its proofs can be held for ever.</summary>
    public static string NameOf(PictureFacts picture) => string.Create(CultureInfo.InvariantCulture, $"{picture.Id}.{picture.Edition}");

    private static int ProofWidth(int widthPx) => RenditionMaker.ProofWidths.FirstOrDefault(w => w >= widthPx, RenditionMaker.ProofWidths[^1]);
}

/// <summary>The real files, as visitors get them, under a folder of their own.</summary>
/// <param name="folder">Before the name: "media/" beside the pages, or an absolute path for a proof.</param>
/// <param name="made">The formats to offer in order of gain where the files exist; null offers all as planned.</param>
public sealed class PlannedAddresses(
    string folder, IReadOnlyDictionary<string, Asset> assets, RenditionMaker maker, Func<PlannedCut, IEnumerable<OutputFormat>>? made = null) : IFileAddresses
{
    private readonly bool _isProof = folder.StartsWith('/');

    // A drawing is given out as it is kept: on a proof from where it lies, since no file is made of it.
    public string AddressOf(PlannedFile file, string root) => _isProof && file.IsUnchanged
        ? ProofAddresses.OriginalOf(file)
        : (_isProof ? "" : root) + folder + maker.NameOf(assets[file.AssetId], file);

    public IReadOnlyList<IReadOnlyList<PlannedFile>> Offered(PlannedCut cut) =>
        [.. (made?.Invoke(cut) ?? cut.Formats).Select(format => cut.FilesIn(format).ToList())];
}
