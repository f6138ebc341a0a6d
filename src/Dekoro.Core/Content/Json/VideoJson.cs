using System.Text.Json.Nodes;
using Dekoro.Core.Choices;

namespace Dekoro.Core.Content;

/// <summary>What plays where a picture stands.</summary>
internal static class VideoJson
{
    private const int MaxTitleChars = 300;

    /// <returns>Null where none is given.</returns>
    public static VideoChoice? Read(AttributeReader attrs)
    {
        if (!attrs.Has("video"))
            return null;
        if (attrs.Object("video") is { } video)
        {
            if (video.Id("file") is { } file)
                return new VideoChoice.Own(
                    file,
                    video.Id("captions"),
                    video.Flag("controls"),
                    video.Flag("loops"),
                    video.Flag("startsItself")
                );
            var page = video.Text("address", NodeReader.MaxAddressChars);
            var player = video.Text("player", NodeReader.MaxAddressChars);
            if (VideoChoice.Hosted.IsPage(page) && VideoChoice.Hosted.IsPlayer(player))
                return new VideoChoice.Hosted(page, player, video.Text("title", MaxTitleChars));
        }
        attrs.Refuse(
            "video.",
            "A video is a file of the library, or one of another site by the addresses of its page and of its player."
        );
        return null;
    }

    /// <summary>The same as it is read.</summary>
    public static JsonObject? Write(VideoChoice? video) =>
        video switch
        {
            VideoChoice.Own own => new()
            {
                ["file"] = own.FileId,
                ["captions"] = own.CaptionsId,
                ["controls"] = own.Controls,
                ["loops"] = own.Loops,
                ["startsItself"] = own.StartsItself,
            },
            VideoChoice.Hosted hosted => new()
            {
                ["address"] = hosted.Address,
                ["player"] = hosted.Player,
                ["title"] = hosted.Title,
            },
            _ => null,
        };
}
