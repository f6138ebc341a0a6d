using Dekoro.Core.Links;

namespace Dekoro.Core.Media;

/// <summary>A file of the library that is no picture.</summary>
/// <param name="HasOwnAddress">It is on the public site even where nothing links to it.</param>
public sealed record Download(
    string Id,
    string FileName,
    DownloadType Type,
    long Bytes,
    string Title,
    string Description,
    string Folder,
    bool HasOwnAddress
)
{
    /// <summary>True where every word of a search begins a word of the file's.</summary>
    public bool Answers(string? search) =>
        SearchLine
            .Tokens(search ?? "")
            .Select(t => t.Trim('"'))
            .All(word => Words.Any(own => own.StartsWith(word, StringComparison.CurrentCultureIgnoreCase)));

    private IEnumerable<string> Words =>
        $"{Title} {Description} {Folder} {FileName} {Type.Name} {Type.Kind}".Split(
            [' ', '-', '_', '.', ',', '/'],
            StringSplitOptions.RemoveEmptyEntries
        );

    /// <summary>What it is called on the public site, before names that stand twice are told apart.</summary>
    public string PublicName => $"{(Slug.Of(Title) is { Length: > 0 } slug ? slug : Id)}.{Type.Ending}";

    /// <summary>
    /// A name for each on the public site: the first of a name has it, the others have their id added.
    /// </summary>
    /// <param name="all">Oldest first, so that a newcomer never takes another's address.</param>
    public static IReadOnlyDictionary<string, string> PublicNames(IEnumerable<Download> all)
    {
        var (names, taken) = (new Dictionary<string, string>(), new HashSet<string>(StringComparer.Ordinal));
        foreach (var one in all)
        {
            var name = one.PublicName;
            if (!taken.Add(name))
                taken.Add(name = $"{name[..^(one.Type.Ending.Length + 1)]}-{one.Id}.{one.Type.Ending}");
            names[one.Id] = name;
        }
        return names;
    }
}
