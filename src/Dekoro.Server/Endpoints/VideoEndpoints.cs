using Dekoro.Application.Ingest;
using Dekoro.Core.Media;
using Dekoro.Intake;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Videos that other sites play.</summary>
internal static class VideoEndpoints
{
    private const long MaxDescriptionBytes = 5L << 20;

    public static void MapVideos(this IEndpointRouteBuilder api) =>
        api.MapPost("/videos", Read)
            .WithSummary("Asks the site of a video how it is shown (oEmbed), and takes its still into the library.");

    private static async Task<Results<Ok<VideoResponse>, ProblemHttpResult>> Read(
        VideoGiven given,
        HttpRequest request,
        Fetching fetching,
        AssetIngest taking,
        CancellationToken stop
    )
    {
        if (IntakeEndpoints.AddressOf(given.Address, request, out var sentence) is not { } address)
            return Problems.Of(400, sentence, "address");
        try
        {
            var video = await HostedVideo.ReadAsync(
                address,
                async (at, s) => await fetching.BytesAsync(at, MaxDescriptionBytes, s),
                stop
            );
            await using var still = (await fetching.GetAsync(video.Still, stop)).Content;
            var words = new PictureMetadata(
                Title: $"Still of {video.Title}",
                Alt: $"A still of the video “{video.Title}”",
                Source: video.Address.AbsoluteUri
            );
            var taken = await taking.TakeAsync(Path.GetFileName(video.Still.AbsolutePath), still, words, stop);
            return taken.Id is { } picture
                ? TypedResults.Ok(new VideoResponse(Own(video.Address), Own(video.Player), video.Title, picture))
                : Problems.Of(422, $"The still of this video was not taken. {taken.Error}", "address");
        }
        catch (Exception e) when (e is NotFetchedException or UnreadableException)
        {
            return Problems.Of(422, e.Message, "address");
        }

        // What this server plays itself is kept without its name, which may be another tomorrow.
        string Own(Uri at) => at.Authority == request.Host.Value ? at.PathAndQuery : at.AbsoluteUri;
    }
}
