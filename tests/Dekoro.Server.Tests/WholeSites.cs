using System.Text;
using Dekoro.Application.Publication;

namespace Dekoro.Server.Tests;

/// <summary>Sites of a few files, in one part.</summary>
internal static class WholeSites
{
    public static KeptPart Keep(this LiveSite live, IReadOnlyDictionary<string, SiteFile> files) =>
        live.Keep(new SitePart("all", "print", false, files));

    /// <summary>Writes and serves in one go.</summary>
    public static (string Release, int Written) GoLive(
        this LiveSite live,
        IReadOnlyDictionary<string, SiteFile> files,
        params (DateTimeOffset From, IReadOnlyDictionary<string, SiteFile> Files)[] later
    )
    {
        var site = live.Write([live.Keep(files)], [.. later.Select(l => new LaterSite(l.From, [live.Keep(l.Files)]))]);
        live.Serve(site);
        return (site.Release, site.Written);
    }

    public static Dictionary<string, SiteFile> Site(params (string Name, string Content)[] files) =>
        files.ToDictionary(f => f.Name, f => SiteFile.Of(Encoding.UTF8.GetBytes(f.Content)));
}
