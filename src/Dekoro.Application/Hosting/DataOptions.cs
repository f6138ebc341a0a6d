using Dekoro.Imaging;

namespace Dekoro.Application.Hosting;

/// <summary>Where things are kept, from the command line and the environment.</summary>
/// <param name="DataFolder">Database, originals, renditions and the live site.</param>
/// <param name="ClientFolder">The built tool; null where only the interface for programs is served.</param>
/// <param name="DemoFolder">The demo site's files and pages, taken in when the library is empty; null for none.</param>
public sealed record DataOptions(string DataFolder, string? ClientFolder, string? DemoFolder)
{
    /// <summary>A folder of mails (.eml) to choose from; null for none.</summary>
    public string? MailFolder { get; init; }

    /// <summary>How much work encoders spend on a file.</summary>
    public EncodingEffort Effort { get; init; }

    /// <summary>
    /// Hosts, perhaps with a port, that may be fetched from although they lie on this machine's own network.
    /// </summary>
    public IReadOnlyList<string> AllowedHosts { get; init; } = [];

    /// <summary>Whether a host is one of <see cref="AllowedHosts"/>, with its port or at all of them.</summary>
    public bool IsAllowed(string host, int port) =>
        AllowedHosts.Contains(host, StringComparer.OrdinalIgnoreCase)
        || AllowedHosts.Contains($"{host}:{port}", StringComparer.OrdinalIgnoreCase);

    /// <summary>Names by which the tool is asked for, beside those of this machine itself.</summary>
    public IReadOnlyList<string> Hosts { get; init; } = [];

    /// <summary>A name under which the public site alone is served, at its root; null for none.</summary>
    public string? SiteHost { get; init; }

    /// <summary>
    /// So much of the disk is left free for drafts and the database: with less, no files are taken in.
    /// </summary>
    public long ReserveBytes { get; init; } = 1L << 30;

    /// <summary>
    /// The database may be missing beside originals: a new one is begun, and they wait in quarantine.
    /// </summary>
    public bool BeginsAnew { get; init; }
}
