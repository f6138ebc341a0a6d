using Dekoro.Core.Media;

namespace Dekoro.Storage;

/// <summary>A file that is no picture, as the library keeps it.</summary>
/// <param name="AwaySince">Since when it is taken away; null while it is in the library.</param>
public sealed record StoredDownload(
    Download Facts,
    string Sha256,
    DateTimeOffset AddedAt,
    string AddedBy,
    long Version,
    DateTimeOffset? AwaySince
)
{
    public string Id => Facts.Id;
}
