using Dekoro.StandIns.Archive;
using Dekoro.StandIns.Video;

namespace Dekoro.StandIns;

/// <summary>
/// Outside services in small, so that everything Dekoro does with them can be tried without a network.
/// </summary>
public static class StandIn
{
    /// <summary>All stand-ins stand under this path of the server they ship with.</summary>
    public const string Prefix = "/standins/";

    /// <param name="address">Absolute; what is answered names itself by the same scheme and host.</param>
    /// <returns>Null where nothing stands at the address.</returns>
    public static StandInAnswer? Answer(Uri address)
    {
        var path = address.AbsolutePath;
        if (path.StartsWith(VideoHost.Prefix, StringComparison.Ordinal))
            return VideoHost.Answer(
                path[VideoHost.Prefix.Length..],
                address.Query,
                address.GetLeftPart(UriPartial.Authority) + VideoHost.Prefix
            );
        return path.StartsWith(ArchiveService.Prefix, StringComparison.Ordinal)
            ? ArchiveService.Answer(
                path[ArchiveService.Prefix.Length..],
                address.GetLeftPart(UriPartial.Authority) + ArchiveService.Prefix
            )
            : null;
    }
}
