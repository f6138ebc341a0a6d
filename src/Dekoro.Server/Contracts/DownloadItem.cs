using Dekoro.Core.Media;

namespace Dekoro.Server.Contracts;

/// <param name="TypeName">"PDF", "MP3".</param>
/// <param name="Address">On the public site, from its root.</param>
/// <param name="Link">How a link to it is kept.</param>
/// <param name="IsPublic">Something public links to it, or it has an address of its own.</param>
/// <param name="StandsIn">The pages that link to it.</param>
public sealed record DownloadItem(
    string Id,
    string FileName,
    DownloadKind Kind,
    string TypeName,
    string MediaType,
    long Bytes,
    string Title,
    string Description,
    string Folder,
    bool HasOwnAddress,
    string Address,
    string Link,
    bool IsPublic,
    IReadOnlyList<LinkingPage> StandsIn,
    DateTimeOffset AddedAt,
    string AddedBy,
    long Version,
    DateTimeOffset? AwaySince
);
