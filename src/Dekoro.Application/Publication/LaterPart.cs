namespace Dekoro.Application.Publication;

/// <summary>A part of a site that is made only where it is not known by its fingerprint.</summary>
internal sealed record LaterPart(
    string Key,
    string Fingerprint,
    Func<CancellationToken, Task<IReadOnlyDictionary<string, SiteFile>>> FilesAsync
);
