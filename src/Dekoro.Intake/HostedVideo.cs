using System.Text.Json;
using Dekoro.Core.Choices;

namespace Dekoro.Intake;

/// <summary>A video that another site plays, as that site describes it.</summary>
/// <param name="Address">Of its page.</param>
/// <param name="Still">A picture to show until someone asks for the player.</param>
public sealed record HostedVideo(Uri Address, string Title, Uri Player, Uri Still)
{
    private const int MaxTitle = 300;

    /// <summary>
    /// Follows a page to its description, and takes from that what can be shown: of its markup only where the frame
    /// leads.
    /// </summary>
    /// <remarks>oEmbed 1.0, sections 2.3.4.2 (video) and 4 (discovery).</remarks>
    /// <exception cref="UnreadableException">Not there, no description, or one that holds no player or no
    /// still.</exception>
    public static async Task<HostedVideo> ReadAsync(Uri address, FetchBytes fetch, CancellationToken stop)
    {
        var html = TextDecoding.Decode(await fetch(address, stop), isHtml: true);
        var link = Html.Parse(html)
            .Document.QuerySelector("link[rel~=alternate][type='application/json+oembed'][href]")
            ?.GetAttribute("href");
        if (link is null || !Uri.TryCreate(address, link, out var described))
            throw new UnreadableException(
                "This page does not say how its video can be shown elsewhere: give the address of the video's "
                    + "own page, or add the video as a file."
            );
        try
        {
            using var json = JsonDocument.Parse(await fetch(described, stop));
            var said = json.RootElement;
            if (TextOf(said, "type") is not ("video" or "rich"))
                throw new UnreadableException(
                    "There is no video at this address: give the address of the video's own page."
                );
            var frame = Html.Parse(TextOf(said, "html")).Document.QuerySelector("iframe[src]")?.GetAttribute("src");
            if (frame is null || !Uri.TryCreate(described, frame, out var player) || !IsOf(player, address))
                throw new UnreadableException(
                    "The site shows this video by a script of its own, which is not let into your pages: link "
                        + "to it instead."
                );
            if (
                !Uri.TryCreate(described, TextOf(said, "thumbnail_url"), out var still)
                || TextOf(said, "thumbnail_url").Length == 0
            )
                throw new UnreadableException(
                    "The site gives no still of this video: place a picture of your own and link it to the video."
                );
            var title = TextOf(said, "title").Trim();
            return new(
                address,
                title.Length is 0 ? "Video"
                    : title.Length > MaxTitle ? title[..MaxTitle]
                    : title,
                player,
                still
            );
        }
        catch (JsonException e)
        {
            throw new UnreadableException(
                "What the site says of this video cannot be read: add the video as a file, or link to it.",
                e
            );
        }
    }

    /// <summary>By https; or as the page itself came, for one of this machine's own.</summary>
    private static bool IsOf(Uri player, Uri page) =>
        VideoChoice.Hosted.IsPlayer(player.AbsoluteUri) || (player.IsLoopback && player.Authority == page.Authority);

    private static string TextOf(JsonElement said, string name) =>
        said.ValueKind == JsonValueKind.Object
        && said.TryGetProperty(name, out var value)
        && value.ValueKind == JsonValueKind.String
            ? value.GetString()!
            : "";
}
