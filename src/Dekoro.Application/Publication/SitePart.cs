namespace Dekoro.Application.Publication;

/// <summary>
/// What of a public site changes together: a page with its further parts and the files of its pictures, or what stands
/// beside all pages.
/// </summary>
/// <param name="Key">Names it from one release to the next.</param>
/// <param name="Fingerprint">Of all that it was made from.</param>
/// <param name="IsAwaited">Whether more of it is still being made: it is right without, and joined by it later.</param>
/// <param name="Files">By their addresses under the site.</param>
public sealed record SitePart(
    string Key,
    string Fingerprint,
    bool IsAwaited,
    IReadOnlyDictionary<string, SiteFile> Files
);
