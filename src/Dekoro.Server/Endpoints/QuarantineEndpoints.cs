using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Pictures;
using Dekoro.Application.Trash;
using Dekoro.Imaging;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Originals without a record: seen, and taken into the library again.</summary>
internal static class QuarantineEndpoints
{
    private const int ThumbnailPx = 320;

    public static void MapQuarantine(this IEndpointRouteBuilder api)
    {
        api.MapGet("/quarantine", List)
            .WithSummary("Files that lie in the data folder and that no record names, newest first.");
        api.MapPost("/quarantine/{name}/restore", Restore)
            .WithSummary("Takes such a file into the library again; its words are lost.");
        api.MapGet("/quarantine/{name}/picture", PictureAsync).ExcludeFromDescription();
    }

    private static QuarantineList List(Workspace workspace) =>
        new(
            [
                .. workspace
                    .Quarantine.All()
                    .Select(f => new QuarantineItem(f.Name, f.Bytes, f.Since, f.Since.AddDays(TrashPurge.WaitDays))),
            ],
            TrashPurge.WaitDays
        );

    private static async Task<Results<Ok<Taken>, ProblemHttpResult>> Restore(
        string name,
        Workspace workspace,
        AssetIngest ingest,
        CancellationToken stop
    ) =>
        await QuarantineReturn.TakeBackAsync(workspace, ingest, name, stop) is not { } taken ? NoFile()
        : taken.IsRefused ? Problems.Of(422, taken.Error!)
        : TypedResults.Ok(taken);

    private static async Task<IResult> PictureAsync(
        string name,
        Workspace workspace,
        PixelQueue pixels,
        HttpResponse response,
        CancellationToken stop
    )
    {
        if (workspace.Quarantine.Find(name) is not { } file || file.Bytes > Limits.MaxFileBytes)
            return NoFile();
        try
        {
            var bytes = await File.ReadAllBytesAsync(workspace.Quarantine.PathOf(file), stop);
            response.Headers.CacheControl = "private, max-age=86400";
            return Results.Bytes(
                await pixels.RunAsync(PixelWork.Asked, _ => Thumbnail.WebPOf(bytes, ThumbnailPx), stop),
                "image/webp"
            );
        }
        catch (RefusedFileException)
        {
            return Problems.Of(404, "This file is no picture that can be shown in small.");
        }
    }

    private static ProblemHttpResult NoFile() =>
        Problems.Of(404, "This file no longer lies in quarantine: look at the list again.");
}
