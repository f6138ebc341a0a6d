using Dekoro.Core.Library;
using Dekoro.Imaging;
using Dekoro.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Http;

/// <summary>A file that lies in the data folder and that no record names.</summary>
/// <param name="Since">When it was found.</param>
/// <param name="GoesOn">When it goes for good.</param>
public sealed record QuarantineItem(string Name, long Bytes, DateTimeOffset Since, DateTimeOffset GoesOn);

public sealed record QuarantineList(IReadOnlyList<QuarantineItem> Files, int WaitDays);

/// <summary>Originals without a record: seen, and taken into the library again.</summary>
internal static class QuarantineEndpoints
{
    private const int ThumbnailPx = 320;

    public static void MapQuarantine(this IEndpointRouteBuilder api)
    {
        api.MapGet("/quarantine", List).WithSummary("Files that lie in the data folder and that no record names, newest first.");
        api.MapPost("/quarantine/{name}/restore", Restore).WithSummary("Takes such a file into the library again; its words are lost.");
        api.MapGet("/quarantine/{name}/picture", PictureAsync).ExcludeFromDescription();
    }

    private static QuarantineList List(Workspace workspace) =>
        new([.. workspace.Quarantine.All().Select(f => new QuarantineItem(f.Name, f.Bytes, f.Since, f.Since.AddDays(Leaving.WaitDays)))], Leaving.WaitDays);

    private static async Task<Results<Ok<Taken>, ProblemHttpResult>> Restore(string name, Workspace workspace, TakingIn takingIn, CancellationToken stop) =>
        await RestoreAsync(workspace, takingIn, name, stop) is not { } taken ? NoFile()
        : taken.IsRefused ? Problems.Of(422, taken.Error!) : TypedResults.Ok(taken);

    /// <returns>What became of it; null where there is no such file.</returns>
    internal static async Task<Taken?> RestoreAsync(Workspace workspace, TakingIn takingIn, string name, CancellationToken stop)
    {
        if (workspace.Quarantine.Find(name) is not { } file) return null;
        Taken taken;
        await using (var content = workspace.Quarantine.Open(file)) taken = await takingIn.TakeAsync($"Found {file.Sha256[..8]}", content, new Words(), stop);
        // Only what stands in the library again is gone from here.
        if (!taken.IsRefused) workspace.Quarantine.Remove(file);
        return taken;
    }

    private static async Task<IResult> PictureAsync(string name, Workspace workspace, PixelQueue pixels, HttpResponse response, CancellationToken stop)
    {
        if (workspace.Quarantine.Find(name) is not { } file || file.Bytes > Limits.MostFileBytes) return NoFile();
        try
        {
            var bytes = await File.ReadAllBytesAsync(workspace.Quarantine.PathOf(file), stop);
            response.Headers.CacheControl = "private, max-age=86400";
            return Results.Bytes(await pixels.RunAsync(PixelWork.Asked, _ => Thumbnail.WebPOf(bytes, ThumbnailPx), stop), "image/webp");
        }
        catch (RefusedFileException)
        {
            return Problems.Of(404, "This file is no picture that can be shown in small.");
        }
    }

    private static ProblemHttpResult NoFile() => Problems.Of(404, "This file no longer lies in quarantine: look at the list again.");
}
