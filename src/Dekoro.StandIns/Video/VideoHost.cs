using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using NetVips;

namespace Dekoro.StandIns.Video;

/// <summary>A site that plays videos, and tells others by oEmbed how to show them.</summary>
/// <remarks>oEmbed 1.0, with discovery.</remarks>
internal static class VideoHost
{
    public const string Prefix = StandIn.Prefix + "video/";

    /// <param name="path">Under the host's own address.</param>
    /// <param name="query">As it stands in the address, with its question mark.</param>
    /// <param name="root">The host's own address, with a slash at its end.</param>
    public static StandInAnswer? Answer(string path, string query, string root) =>
        path.Split('/') switch
        {
            [""] => Html(
                "The video host",
                string.Concat(Clip.All.Select(c => $"<p><a href=\"{root}watch/{c.Id}\">{c.Title}</a></p>"))
            ),
            ["watch", var id] when ClipOf(id) is { } clip => Html(
                clip.Title,
                $"<h1>{clip.Title}</h1><p><iframe src=\"{root}player/{clip.Id}\" title=\"{clip.Title}\" "
                    + $"width=\"640\" height=\"{640 * clip.HeightPx / clip.WidthPx}\"></iframe></p>",
                "<link rel=\"alternate\" type=\"application/json+oembed\" "
                    + $"href=\"{root}oembed?format=json&amp;url={WebUtility.UrlEncode(root + "watch/" + clip.Id)}\" "
                    + $"title=\"{clip.Title}\">"
            ),
            ["player", var id] when ClipOf(id) is { } clip => Player(clip),
            ["still", var file]
                when file.EndsWith(".jpg", StringComparison.Ordinal) && ClipOf(file[..^4]) is { } clip => Still(clip),
            ["oembed"]
                when Clip.All.FirstOrDefault(c =>
                    WebUtility.UrlDecode(query).EndsWith("watch/" + c.Id, StringComparison.Ordinal)
                )
                    is { } clip => Describe(clip, root),
            _ => null,
        };

    private static Clip? ClipOf(string id) => Clip.All.FirstOrDefault(c => c.Id == id);

    private static StandInAnswer Describe(Clip clip, string root) =>
        new(
            "application/json",
            JsonSerializer.SerializeToUtf8Bytes(
                new JsonObject
                {
                    ["version"] = "1.0",
                    ["type"] = "video",
                    ["title"] = clip.Title,
                    ["provider_name"] = "The video host",
                    ["provider_url"] = root,
                    ["thumbnail_url"] = $"{root}still/{clip.Id}.jpg",
                    ["thumbnail_width"] = clip.WidthPx,
                    ["thumbnail_height"] = clip.HeightPx,
                    ["width"] = clip.WidthPx,
                    ["height"] = clip.HeightPx,
                    ["html"] =
                        $"<iframe src=\"{root}player/{clip.Id}\" width=\"{clip.WidthPx}\" "
                        + $"height=\"{clip.HeightPx}\" allowfullscreen></iframe><script>track()</script>",
                }
            )
        );

    private static StandInAnswer Still(Clip clip)
    {
        using var drawn = Image.SvgloadBuffer(Encoding.UTF8.GetBytes(clip.Drawing(moves: false)));
        using var opaque = drawn.Flatten(background: [255.0]);
        return new("image/jpeg", opaque.JpegsaveBuffer(q: 84, optimizeCoding: true));
    }

    /// <summary>Moves for as long as its box is ticked: a player without script.</summary>
    private static StandInAnswer Player(Clip clip) =>
        new(
            "text/html",
            Encoding.UTF8.GetBytes(
                $$"""
                <!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><title>{{clip.Title}}</title><style>
                html, body { margin: 0; height: 100%; overflow: hidden; background: #000; }
                svg { width: 100%; height: 100%; object-fit: contain; }
                .kite { animation: fly 6s ease-in-out infinite alternate; animation-play-state: paused; }
                body:has(:checked) .kite { animation-play-state: running; }
                label { position: absolute; left: 12px; bottom: 12px; padding: 6px 12px;
                  background: #000; color: #fff; font: 16px sans-serif; }
                @keyframes fly { from { transform: translate(-22%, 6%); } to { transform: translate(22%, -8%); } }
                </style></head><body>{{clip.Drawing(
                    moves: true
                )}}<label><input type="checkbox" checked> play</label></body></html>
                """
            )
        );

    private static StandInAnswer Html(string title, string body, string head = "") =>
        new(
            "text/html",
            Encoding.UTF8.GetBytes(
                "<!DOCTYPE html><html lang=\"en\"><head><meta "
                    + $"charset=\"utf-8\"><title>{title}</title>{head}</head><body>{body}</body></html>"
            )
        );
}
