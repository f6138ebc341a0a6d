using Dekoro.Core.Library;
using Dekoro.Intake;
using Dekoro.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Http;

/// <param name="Address">Of a video's page on another site.</param>
public sealed record VideoGiven(string Address);

/// <param name="Picture">The still, in the library now.</param>
public sealed record VideoLook(string Address, string Player, string Title, string Picture);

/// <summary>Videos that other sites play.</summary>
internal static class VideoEndpoints
{
    private const long MostDescriptionBytes = 5L << 20;

    public static void MapVideos(this IEndpointRouteBuilder api) =>
        api.MapPost("/videos", Read).WithSummary("Asks the site of a video how it is shown (oEmbed), and takes its still into the library.");

    private static async Task<Results<Ok<VideoLook>, ProblemHttpResult>> Read(VideoGiven given, HttpRequest request, Fetching fetching, TakingIn taking, CancellationToken stop)
    {
        if (IntakeEndpoints.AddressOf(given.Address, request, out var sentence) is not { } address) return Problems.Of(400, sentence, "address");
        try
        {
            var video = await HostedVideo.ReadAsync(address, async (at, s) => await fetching.BytesAsync(at, MostDescriptionBytes, s), stop);
            await using var still = (await fetching.GetAsync(video.Still, stop)).Content;
            var words = new Words(Title: $"Still of {video.Title}", Alt: $"A still of the video “{video.Title}”", Source: video.Address.AbsoluteUri);
            var taken = await taking.TakeAsync(Path.GetFileName(video.Still.AbsolutePath), still, words, stop);
            return taken.Id is { } picture
                ? TypedResults.Ok(new VideoLook(Own(video.Address), Own(video.Player), video.Title, picture))
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
