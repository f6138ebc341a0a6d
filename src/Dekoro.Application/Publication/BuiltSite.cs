namespace Dekoro.Application.Publication;

/// <summary>A site in all its parts, before anybody meets it.</summary>
/// <param name="Made">So many files of pictures were not there yet.</param>
/// <param name="Beside">Addresses beside the pages, each with a name for what is there.</param>
/// <param name="Awaited">So many parts are right as they are, and joined by smaller files later.</param>
internal sealed record BuiltSite(
    IReadOnlyList<KeptPart> Parts,
    int Made,
    IReadOnlyDictionary<string, string> Beside,
    int Awaited
)
{
    /// <summary>The parts by their keys.</summary>
    public IReadOnlyDictionary<string, KeptPart> ByKey => Parts.ToDictionary(p => p.Key, StringComparer.Ordinal);
}
