namespace Dekoro.Application.Publication;

/// <summary>Parts that were made before, found by what they are of and what they were made from.</summary>
public sealed class KnownParts
{
    // A few sites, each by its keys: nothing is copied to look something up.
    private readonly List<IReadOnlyDictionary<string, KeptPart>> _sites = [];
    private readonly HashSet<KeptPart> _damaged = [];

    /// <summary>Nothing was made before.</summary>
    public static KnownParts None => new();

    /// <summary>With the parts of one more site, by their keys.</summary>
    public KnownParts With(IReadOnlyDictionary<string, KeptPart> site)
    {
        _sites.Add(site);
        return this;
    }

    /// <summary>Without some that have to be made anew.</summary>
    public KnownParts Without(IEnumerable<KeptPart> damaged)
    {
        _damaged.UnionWith(damaged);
        return this;
    }

    /// <returns>Null for one that has to be made; of two the one that nothing is awaited of.</returns>
    public KeptPart? Find(string key, string fingerprint)
    {
        KeptPart? found = null;
        foreach (var site in _sites)
        {
            if (!site.TryGetValue(key, out var part) || part.Fingerprint != fingerprint || _damaged.Contains(part))
                continue;
            if (!part.IsAwaited)
                return part;
            found ??= part;
        }
        return found;
    }
}
