using System.IO.Compression;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Media;
using Dekoro.Intake;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>The library's words out as a table and in again, and the whole of it with its files.</summary>
internal static class LibraryTableEndpoints
{
    private const int MaxShown = 200;
    private const string TableName = "library.csv";

    public static void MapLibraryTable(this IEndpointRouteBuilder api)
    {
        api.MapGet("/library.csv", Csv).WithSummary("The words of a search's pictures as a table (CSV).");
        api.MapGet("/library.zip", Zip)
            .WithSummary("The originals of a search's pictures with their words, keep areas and edits beside them.");
        api.MapPost("/library/table", ReadTable)
            .WithSummary("What a table (CSV) would change; with apply=true it is changed.")
            .Accepts<IFormFile>("multipart/form-data")
            .DisableAntiforgery()
            .Takes(Bodies.MaxTable);
    }

    private static IResult Csv(Workspace workspace, PlanningContext planning, string? query = null) =>
        Results.File(TableBytes(RowsOf(Found(workspace, planning, query))), "text/csv", TableName);

    /// <summary>Sent while it is packed, so that it needs no room on the disk of a library of many gigabytes.</summary>
    private static IResult Zip(HttpContext context, Workspace workspace, PlanningContext planning, string? query = null)
    {
        // The archive writes some of its heads without waiting in turn, even where it is asked to.
        if (context.Features.Get<IHttpBodyControlFeature>() is { } control)
            control.AllowSynchronousIO = true;
        var rows = RowsOf(Found(workspace, planning, query)).ToList();
        return Results.Stream(body => PackAsync(body, rows, workspace), "application/zip", "library.zip");
    }

    private static async Task PackAsync(Stream body, List<(Asset Asset, TableRow Row)> rows, Workspace workspace)
    {
        await using var zip = await ZipArchive.CreateAsync(
            body,
            ZipArchiveMode.Create,
            leaveOpen: true,
            entryNameEncoding: null
        );
        await AddAsync(zip, TableName, TableBytes(rows));
        foreach (var (asset, row) in rows)
        {
            await zip.CreateEntryFromFileAsync(workspace.PathOf(asset), row.File, CompressionLevel.NoCompression);
            await AddAsync(zip, row.File + ".xmp", Sidecar.Write(asset.Facts.Metadata));
        }
    }

    private static async Task AddAsync(ZipArchive zip, string name, byte[] content)
    {
        await using var entry = await zip.CreateEntry(name).OpenAsync();
        await entry.WriteAsync(content);
    }

    private static byte[] TableBytes(IEnumerable<(Asset Asset, TableRow Row)> rows) =>
        [.. Encoding.UTF8.GetPreamble(), .. Encoding.UTF8.GetBytes(LibraryTable.Write(rows.Select(r => r.Row)))];

    private static IReadOnlyList<Asset> Found(Workspace workspace, PlanningContext planning, string? query) =>
        workspace
            .Assets.Search(LibraryQuery.Read(query), [.. planning.Used.Places.Select(p => p.Key)], 0, int.MaxValue)
            .Page;

    /// <summary>Names within the bundle are the files' own; one that stands twice has its picture's id added.</summary>
    private static IEnumerable<(Asset Asset, TableRow Row)> RowsOf(IReadOnlyList<Asset> assets)
    {
        var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase) { TableName };
        foreach (var asset in assets)
        {
            var name = asset.Facts.FileName;
            if (!taken.Add(name))
                taken.Add(name = $"{Path.GetFileNameWithoutExtension(name)} {asset.Id}{Path.GetExtension(name)}");
            yield return (
                asset,
                TableRow.Of(
                    name,
                    asset.Id,
                    asset.Facts.Metadata,
                    asset.KeepByHand ? asset.Facts.Keep : null,
                    asset.Edits
                )
            );
        }
    }

    private static async Task<Results<Ok<TableResponse>, ProblemHttpResult>> ReadTable(
        HttpRequest request,
        TableChanges changes,
        CancellationToken stop,
        bool apply = false
    )
    {
        if (!request.HasFormContentType || (await request.ReadFormAsync(stop)).Files.FirstOrDefault() is not { } file)
            return Problems.Of(400, "Send the table as multipart/form-data, in a field called “file”.");
        using var content = new MemoryStream();
        await file.CopyToAsync(content, stop);
        try
        {
            return changes.Read(content.ToArray(), apply).Answer(Written);
        }
        catch (UnreadableException e)
        {
            return Problems.Of(422, e.Message);
        }

        TableResponse Written(TableChanged all) =>
            new(all.Pictures, [.. all.Changes.Take(MaxShown)], all.Changes.Count, all.LeftOut, apply);
    }
}
