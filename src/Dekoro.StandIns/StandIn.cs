using Dekoro.StandIns.Archive;
using Dekoro.StandIns.Video;

namespace Dekoro.StandIns;

/// <summary>
/// Outside services in small, so that everything Dekoro does with them can be tried without a network.
/// </summary>
/// <param name="folder">Where they keep what they are given; made when it is needed.</param>
public sealed class StandIn(string folder)
{
    /// <summary>All stand-ins stand under this path of the server they ship with.</summary>
    public const string Prefix = "/standins/";

    /// <summary>The archive's collection, and where it takes deposits.</summary>
    public const string Collection = ArchiveService.Prefix + "collection.json",
        Deposits = ArchiveService.Prefix + ArchiveDesk.Under + "service";

    /// <summary>What the archive asks of whoever hands something in; it is no secret, as nothing there is.</summary>
    public const string Token = "kites-for-the-archive";

    private readonly ArchiveService _archive = new(new ArchiveShelf(Path.Combine(folder, "archive")));

    /// <returns>Null where nothing stands at the address.</returns>
    public async Task<StandInAnswer?> AnswerAsync(StandInRequest request, CancellationToken stop)
    {
        var (path, root) = (request.Address.AbsolutePath, request.Address.GetLeftPart(UriPartial.Authority));
        if (path.StartsWith(VideoHost.Prefix, StringComparison.Ordinal) && request.Method == "GET")
            return VideoHost.Answer(path[VideoHost.Prefix.Length..], request.Address.Query, root + VideoHost.Prefix);
        return path.StartsWith(ArchiveService.Prefix, StringComparison.Ordinal)
            ? await _archive.AnswerAsync(
                request,
                path[ArchiveService.Prefix.Length..],
                new Uri(root + ArchiveService.Prefix),
                stop
            )
            : null;
    }
}
