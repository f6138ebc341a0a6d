using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
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
        var (names, links) = (planning.DownloadNames(), planning.Used.Files);
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
            return Problems.NoFile();
        var text =
            found.Facts.Type.Kind == DownloadKind.Text
                ? await BeginningAsync(workspace.Files.PathOf(found.Sha256), stop)
                : null;
        return TypedResults.Ok(new DownloadDetail(ItemOf(found, planning.DownloadNames(), planning.Used.Files), text));
    }

    private static Results<Ok<DownloadItem>, ProblemHttpResult> Change(
        string id,
        DownloadChange change,
        DownloadChanges changes,
        PlanningContext planning,
        HttpRequest request
    ) =>
        Problems.VersionOf(request.Headers.IfMatch) is { } version
            ? changes
                .Change(id, version, change)
                .Answer(now => ItemOf(now, planning.DownloadNames(), planning.Used.Files), change)
            : Problems.NoVersion();

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

    private static async Task<string> BeginningAsync(string path, CancellationToken stop)
    {
        using var reader = new StreamReader(path);
        var buffer = new char[MaxText];
        return new string(buffer, 0, await reader.ReadBlockAsync(buffer, stop));
    }
}
