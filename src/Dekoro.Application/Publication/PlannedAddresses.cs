using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Delivery;
using Dekoro.Core.Planning;
using Dekoro.Publishing;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>The real files, as visitors get them, under a folder of their own.</summary>
/// <param name="folder">Before the name: "media/" beside the pages, or an absolute path for a proof.</param>
/// <param name="made">The formats to offer in order of gain where the files exist; null offers all as planned.</param>
/// <param name="nameOf">Names that were worked out before.</param>
public sealed class PlannedAddresses(
    string folder,
    IReadOnlyDictionary<string, Asset> assets,
    RenditionMaker maker,
    Func<PlannedCut, IEnumerable<OutputFormat>>? made = null,
    Func<PlannedFile, string>? nameOf = null
) : IFileAddresses
{
    private readonly bool _isProof = folder.StartsWith('/');

    // A drawing is given out as it is kept: on a proof from where it lies, since no file is made of it.
    /// <inheritdoc/>
    public string AddressOf(PlannedFile file, string root) =>
        _isProof && file.IsUnchanged
            ? ProofAddresses.OriginalOf(file)
            : (_isProof ? "" : root) + folder + (nameOf?.Invoke(file) ?? maker.NameOf(assets[file.AssetId], file));

    /// <inheritdoc/>
    public IReadOnlyList<IReadOnlyList<PlannedFile>> Offered(PlannedCut cut) =>
        [.. (made?.Invoke(cut) ?? cut.Formats).Select(format => cut.FilesIn(format).ToList())];
}
