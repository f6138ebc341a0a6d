using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Imaging;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Pictures that look the same, beside one another.</summary>
internal static class TwinEndpoints
{
    public static void MapTwins(this IEndpointRouteBuilder api)
    {
        api.MapGet("/files/{id}/twins/{other}", One)
            .WithSummary("Two pictures that look the same, with what the other has otherwise.");
        api.MapPut("/files/{id}/twins/{other}", Say)
            .WithSummary("Says that two are one picture, or that they are not; it is remembered.");
        api.MapGet("/files/{id}/twins/{other}/difference", Difference).ExcludeFromDescription();
        api.MapGet("/files/{id}/original", Original).ExcludeFromDescription();
    }

    private static Results<Ok<TwinResponse>, ProblemHttpResult> One(
        string id,
        string other,
        Workspace workspace,
        TwinFinder twins,
        PlanningContext planning
    )
    {
        if (Both(workspace, id, other) is not var (a, b))
            return Problems.NoPicture();
        if (twins.Match(id, other) is not { } match)
            return Problems.Of(404, "Nothing is known yet of how these two look: wait a moment, then try again.");
        return TypedResults.Ok(
            new TwinResponse(
                FileEndpoints.ItemOf(a, planning.Used.Places[id].Count()),
                FileEndpoints.ItemOf(b, planning.Used.Places[other].Count()),
                match.Scale,
                [.. match.InSecondOtherwise()]
            )
        );
    }

    private static Results<NoContent, ProblemHttpResult> Say(
        string id,
        string other,
        TwinSaid said,
        Workspace workspace,
        Events events
    )
    {
        if (id == other || Both(workspace, id, other) is null)
            return Problems.NoPicture();
        workspace.Looks.Say(id, other, said.AreSame);
        events.Send("library", new { id });
        return TypedResults.NoContent();
    }

    private static async Task<IResult> Difference(
        string id,
        string other,
        Workspace workspace,
        TwinFinder twins,
        PixelQueue pixels,
        HttpResponse response,
        CancellationToken stop
    )
    {
        if (Both(workspace, id, other) is not var (a, b) || twins.Match(id, other) is not { } match)
            return Problems.NoPicture();
        return await Drawn(
            token =>
                TwinPictures.Difference(
                    (workspace.PathOf(a), a.OriginalSize),
                    (workspace.PathOf(b), b.OriginalSize),
                    match,
                    token
                ),
            pixels,
            response,
            stop
        );
    }

    private static async Task<IResult> Original(
        string id,
        Workspace workspace,
        PixelQueue pixels,
        HttpResponse response,
        CancellationToken stop
    ) =>
        workspace.Assets.Find(id) is { } asset
            ? await Drawn(
                token => TwinPictures.Whole(workspace.PathOf(asset), asset.OriginalSize, token),
                pixels,
                response,
                stop
            )
            : Problems.NoPicture();

    private static async Task<IResult> Drawn(
        Func<CancellationToken, byte[]> draw,
        PixelQueue pixels,
        HttpResponse response,
        CancellationToken stop
    )
    {
        try
        {
            var drawn = await pixels.RunAsync(PixelWork.Asked, draw, stop);
            response.Headers.CacheControl = "private, max-age=3600";
            return Results.Bytes(drawn, "image/webp");
        }
        catch (RefusedFileException e)
        {
            return Problems.Of(422, e.Message);
        }
    }

    private static (Asset First, Asset Second)? Both(Workspace workspace, string id, string other) =>
        workspace.Assets.Find(id) is { } a && workspace.Assets.Find(other) is { } b ? (a, b) : null;
}
