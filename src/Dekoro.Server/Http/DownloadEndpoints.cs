using Dekoro.Core.Library;
using Dekoro.Core.Links;
using Dekoro.Server.Work;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Http;

/// <param name="TypeName">"PDF", "MP3".</param>
/// <param name="Address">On the public site, from its root.</param>
/// <param name="Link">How a link to it is kept.</param>
/// <param name="IsPublic">Something public links to it, or it has an address of its own.</param>
/// <param name="StandsIn">The pages that link to it.</param>
public sealed record DownloadItem(
    string Id, string FileName, DownloadKind Kind, string TypeName, string MediaType, long Bytes, string Title, string Description, string Folder,
    bool HasOwnAddress, string Address, string Link, bool IsPublic, IReadOnlyList<LinkingPage> StandsIn, DateTimeOffset AddedAt, string AddedBy, long Version,
    DateTimeOffset? AwaySince);

public sealed record LinkingPage(string PageId, string PageTitle);

public sealed record DownloadList(IReadOnlyList<DownloadItem> Items);

/// <param name="Text">How a text begins; null for other kinds.</param>
public sealed record DownloadDetail(DownloadItem File, string? Text);

/// <summary>What is to be different; null leaves a value as it is.</summary>
public sealed record DownloadChange(string? Title = null, string? Description = null, string? Folder = null, bool? HasOwnAddress = null, bool? IsAway = null);

/// <summary>Files that are no pictures.</summary>
internal static class DownloadEndpoints
{
    private const int MostText = 4000;

    public static void MapDownloads(this IEndpointRouteBuilder api)
    {
        api.MapGet("/downloads", List).WithSummary("Files that are no pictures, newest first; every word must begin a word of theirs.");
        api.MapGet("/downloads/{id}", One).WithSummary("One file, with the pages that link to it and how a text begins.");
        api.MapPatch("/downloads/{id}", Change).WithSummary("Changes words, whether it has an address of its own, and whether it is taken away; If-Match names the version it started from.");
    }

    private static DownloadList List(Workspace workspace, PlanBook book, string? query = null)
    {
        var (names, links) = (book.DownloadNames(), book.LinksByDownload());
        return new([.. workspace.Downloads.All().Reverse().Where(d => d.Facts.Answers(query)).Select(d => ItemOf(d, names, links))]);
    }

    private static async Task<Results<Ok<DownloadDetail>, ProblemHttpResult>> One(string id, Workspace workspace, PlanBook book, CancellationToken stop)
    {
        if (workspace.Downloads.Find(id) is not { } found) return NoFile();
        var text = found.Facts.Type.Kind == DownloadKind.Text ? await BeginningAsync(workspace.Files.PathOf(found.Sha256), stop) : null;
        return TypedResults.Ok(new DownloadDetail(ItemOf(found, book.DownloadNames(), book.LinksByDownload()), text));
    }

    private static Results<Ok<DownloadItem>, ProblemHttpResult> Change(
        string id, DownloadChange change, Workspace workspace, PlanBook book, Events events, TimeProvider clock, HttpRequest request)
    {
        if (workspace.Downloads.Find(id) is not { } found) return NoFile();
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version) return Problems.NoVersion();
        var links = book.LinksByDownload();
        if (change.IsAway == true && links[id].Any())
            return Problems.Of(409, $"{string.Join(", ", links[id].Select(p => p.Title).Distinct())} links to it: take the link out there first.");
        var now = found.Facts with
        {
            Title = change.Title?.Trim() ?? found.Facts.Title,
            Description = change.Description ?? found.Facts.Description,
            Folder = change.Folder?.Trim() ?? found.Facts.Folder,
            HasOwnAddress = change.HasOwnAddress ?? found.Facts.HasOwnAddress,
        };
        if (now.Title.Length == 0) return Problems.Of(400, "A file needs a title: its address and its link are made from it.", "title");
        if (FileEndpoints.TooLong(now.Title, now.Description, now.Folder) is { } error) return Problems.Of(400, error);
        var away = change.IsAway is { } isAway && isAway != found.AwaySince is not null ? isAway ? clock.GetUtcNow() : null : found.AwaySince;
        if (!workspace.Downloads.Change(now, version, away))
        {
            return workspace.Downloads.Find(id) is { } meanwhile
                ? Problems.Stale("Someone changed this file's words meanwhile: theirs are shown now, yours are still in the field.", ItemOf(meanwhile, book.DownloadNames(), links), change)
                : NoFile();
        }
        events.Send("library", new { id });
        return TypedResults.Ok(ItemOf(workspace.Downloads.Find(id)!, book.DownloadNames(), links));
    }

    private static DownloadItem ItemOf(StoredDownload d, IReadOnlyDictionary<string, string> names, ILookup<string, PageRow> links) => new(
        d.Id, d.Facts.FileName, d.Facts.Type.Kind, d.Facts.Type.Name, d.Facts.Type.MediaType, d.Facts.Bytes, d.Facts.Title, d.Facts.Description, d.Facts.Folder,
        d.Facts.HasOwnAddress, names.GetValueOrDefault(d.Id, ""), new Link.File(d.Id).Written, d.AwaySince is null && (d.Facts.HasOwnAddress || links[d.Id].Any(p => p.IsOn)),
        [.. links[d.Id].DistinctBy(p => p.Id).Select(p => new LinkingPage(p.Id, p.Title))], d.AddedAt, d.AddedBy, d.Version, d.AwaySince);

    internal static ProblemHttpResult NoFile() => Problems.Of(404, "This file is not in the library any more.");

    private static async Task<string> BeginningAsync(string path, CancellationToken stop)
    {
        using var reader = new StreamReader(path);
        var buffer = new char[MostText];
        return new string(buffer, 0, await reader.ReadBlockAsync(buffer, stop));
    }
}
