namespace Dekoro.Application.Publication;

/// <summary>A site in all its files, before anybody meets it.</summary>
/// <param name="Files">By their addresses under the site.</param>
/// <param name="Made">So many files of pictures were not there yet.</param>
/// <param name="Beside">Addresses beside the pages, each with a name for what is there.</param>
internal sealed record BuiltSite(
    SortedDictionary<string, SiteFile> Files,
    int Made,
    IReadOnlyDictionary<string, string> Beside
);
