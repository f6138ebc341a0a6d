namespace Dekoro.Core.Links;

/// <summary>
/// The site's own addresses: pages by id and path ("" is the front page), and the hosts it answers on.
/// </summary>
public sealed record SiteAddresses(IReadOnlyDictionary<string, string> PathByPage, IReadOnlySet<string> OwnHosts)
{
    /// <summary>A site without pages and files.</summary>
    public static SiteAddresses None { get; } = new(new Dictionary<string, string>(), new HashSet<string>());

    /// <summary>The library's other files, by id.</summary>
    public IReadOnlyDictionary<string, LinkedFile> FileById { get; init; } = new Dictionary<string, LinkedFile>();

    /// <summary>The page at a path, whatever its case; null for none.</summary>
    public string? PageAt(string path)
    {
        var wanted = path.Trim('/');
        foreach (var (page, at) in PathByPage)
        {
            if (string.Equals(at.Trim('/'), wanted, StringComparison.OrdinalIgnoreCase))
                return page;
        }
        return null;
    }
}
