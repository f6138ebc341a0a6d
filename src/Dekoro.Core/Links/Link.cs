namespace Dekoro.Core.Links;

/// <summary>Where a link leads. <see cref="Written"/> is how it is kept in a document and read back.</summary>
public abstract record Link
{
    private Link() { }

    public abstract string Written { get; }

    /// <summary>A page of this site, by its id, so that renaming it breaks nothing.</summary>
    public sealed record Page(string PageId, string? Fragment = null) : Link
    {
        public const string Scheme = "page:";
        public override string Written => Scheme + PageId + (Fragment is null ? "" : "#" + Fragment);
    }

    /// <summary>A file of the library that is no picture, by its id, so that renaming it breaks nothing.</summary>
    public sealed record File(string FileId) : Link
    {
        public const string Scheme = "file-in-library:";
        public override string Written => Scheme + FileId;
    }

    /// <summary>An absolute http or https address.</summary>
    public sealed record Web(string Address) : Link
    {
        public override string Written => Address;
    }

    public sealed record Mail(string Address) : Link
    {
        public override string Written => "mailto:" + Address;
    }

    /// <summary>A telephone number in the global form of RFC 3966, or a local one as it was typed.</summary>
    public sealed record Telephone(string Number) : Link
    {
        public override string Written => "tel:" + Number;
    }

    /// <summary>A place on the same page.</summary>
    public sealed record Here(string Id) : Link
    {
        public override string Written => "#" + Id;
    }

    /// <summary>Own pages open in the same window, others in a new one.</summary>
    public bool OpensNewWindow => this is Web;
}

/// <summary>What a typed address was read as: a link, with the repair that was made, or an error.</summary>
/// <param name="Link">Null where there is an error.</param>
/// <param name="Repair">A sentence saying what was changed; null where nothing was.</param>
/// <param name="Error">A sentence saying why it leads nowhere and what to do; null where there is a link.</param>
public sealed record LinkReading(Link? Link, string? Repair, string? Error)
{
    internal static LinkReading Of(Link link, string? repair = null) => new(link, repair, null);
    internal static LinkReading Refused(string error) => new(null, null, error);
}

/// <summary>The site's own addresses: pages by id and path ("" is the front page), and the hosts it answers on.</summary>
public sealed record SiteAddresses(IReadOnlyDictionary<string, string> PathByPage, IReadOnlySet<string> OwnHosts)
{
    public static SiteAddresses None { get; } = new(new Dictionary<string, string>(), new HashSet<string>());

    /// <summary>Addresses of the library's other files, from the site's root, by id.</summary>
    public IReadOnlyDictionary<string, string> FileById { get; init; } = new Dictionary<string, string>();

    public string? PageAt(string path)
    {
        var wanted = path.Trim('/');
        foreach (var (page, at) in PathByPage)
        {
            if (string.Equals(at.Trim('/'), wanted, StringComparison.OrdinalIgnoreCase)) return page;
        }
        return null;
    }
}
