using System.Globalization;

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

/// <summary>A file that is offered to visitors.</summary>
/// <param name="Address">From the site's root.</param>
/// <param name="TypeName">As people say it: "PDF".</param>
public sealed record LinkedFile(string Address, string Title, string TypeName, long Bytes)
{
    public string Size => Bytes switch
    {
        < 1000 => string.Create(CultureInfo.InvariantCulture, $"{Bytes} B"),
        < 10_000 => string.Create(CultureInfo.InvariantCulture, $"{Bytes / 1000.0:0.0} kB"),
        < 995_000 => string.Create(CultureInfo.InvariantCulture, $"{Bytes / 1000.0:0} kB"),
        _ => string.Create(CultureInfo.InvariantCulture, $"{Bytes / 1e6:0.0} MB"),
    };

    /// <summary>What stands after a link to it, so that nobody fetches more than they meant to.</summary>
    public string Facts => $" ({TypeName}, {Size})";
}

/// <summary>The site's own addresses: pages by id and path ("" is the front page), and the hosts it answers on.</summary>
public sealed record SiteAddresses(IReadOnlyDictionary<string, string> PathByPage, IReadOnlySet<string> OwnHosts)
{
    public static SiteAddresses None { get; } = new(new Dictionary<string, string>(), new HashSet<string>());

    /// <summary>The library's other files, by id.</summary>
    public IReadOnlyDictionary<string, LinkedFile> FileById { get; init; } = new Dictionary<string, LinkedFile>();

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
