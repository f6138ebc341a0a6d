using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Files that are no pictures.</summary>
internal static class DownloadEndpoints
{
    private const int MaxText = 4000;

    public static void MapDownloads(this IEndpointRouteBuilder api)
    {
        api.MapGet("/downloads", List)
            .WithSummary("Files that are no pictures, newest first; every word must begin a word of theirs.");
        api.MapGet("/downloads/{id}", One)
            .WithSummary("One file, with the pages that link to it and how a text begins.");
        api.MapPatch("/downloads/{id}", Change)
            .WithSummary(
                "Changes words, whether it has an address of its own, and whether it is taken away; If-Match "
                    + "names the version it started from."
            );
    }

    private static DownloadList List(Workspace workspace, PlanningContext planning, string? query = null)
    {
        var (names, links) = (planning.DownloadNames(), planning.LinksByDownload());
        return new([
            .. workspace
                .Downloads.All()
                .Reverse()
                .Where(d => d.Facts.Answers(query))
                .Select(d => ItemOf(d, names, links)),
        ]);
    }

    private static async Task<Results<Ok<DownloadDetail>, ProblemHttpResult>> One(
        string id,
        Workspace workspace,
        PlanningContext planning,
        CancellationToken stop
    )
    {
        if (workspace.Downloads.Find(id) is not { } found)
            return NoFile();
        var text =
            found.Facts.Type.Kind == DownloadKind.Text
                ? await BeginningAsync(workspace.Files.PathOf(found.Sha256), stop)
                : null;
        return TypedResults.Ok(
            new DownloadDetail(ItemOf(found, planning.DownloadNames(), planning.LinksByDownload()), text)
        );
    }

    private static Results<Ok<DownloadItem>, ProblemHttpResult> Change(
        string id,
        DownloadChange change,
        Workspace workspace,
        PlanningContext planning,
        Events events,
        TimeProvider clock,
        HttpRequest request
    )
    {
        if (workspace.Downloads.Find(id) is not { } found)
            return NoFile();
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version)
            return Problems.NoVersion();
        var links = planning.LinksByDownload();
        if (change.IsAway == true && links[id].Any())
            return Problems.Of(
                409,
                $"{string.Join(", ", links[id].Select(p => p.Title).Distinct())} links to it: take the link "
                    + "out there first."
            );
        var now = change.On(found.Facts);
        if (now.Title.Length == 0)
            return Problems.Of(400, "A file needs a title: its address and its link are made from it.", "title");
        if (PictureMetadata.TooLong(now.Title, now.Description, now.Folder) is { } error)
            return Problems.Of(400, error);
        var away = change.AwayOn(found.AwaySince, clock.GetUtcNow());
        if (!workspace.Downloads.Change(now, version, away))
        {
            return workspace.Downloads.Find(id) is { } meanwhile
                ? Problems.Stale(
                    "Someone changed this file's words meanwhile: theirs are shown now, yours are still in the field.",
                    ItemOf(meanwhile, planning.DownloadNames(), links),
                    change
                )
                : NoFile();
        }
        events.Send("library", new { id });
        return TypedResults.Ok(ItemOf(workspace.Downloads.Find(id)!, planning.DownloadNames(), links));
    }

    private static DownloadItem ItemOf(
        StoredDownload d,
        IReadOnlyDictionary<string, string> names,
        ILookup<string, PageRow> links
    ) =>
        new(
            d.Id,
            d.Facts.FileName,
            d.Facts.Type.Kind,
            d.Facts.Type.Name,
            d.Facts.Type.MediaType,
            d.Facts.Bytes,
            d.Facts.Title,
            d.Facts.Description,
            d.Facts.Folder,
            d.Facts.HasOwnAddress,
            names.GetValueOrDefault(d.Id, ""),
            new Link.File(d.Id).Written,
            d.AwaySince is null && (d.Facts.HasOwnAddress || links[d.Id].Any(p => p.IsOn)),
            [.. links[d.Id].DistinctBy(p => p.Id).Select(p => new LinkingPage(p.Id, p.Title))],
            d.AddedAt,
            d.AddedBy,
            d.Version,
            d.AwaySince
        );

    internal static ProblemHttpResult NoFile() => Problems.Of(404, "This file is not in the library any more.");

    private static async Task<string> BeginningAsync(string path, CancellationToken stop)
    {
        using var reader = new StreamReader(path);
        var buffer = new char[MaxText];
        return new string(buffer, 0, await reader.ReadBlockAsync(buffer, stop));
    }
}
