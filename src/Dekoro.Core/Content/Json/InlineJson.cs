using System.Text.Json.Nodes;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Core.Content;

/// <summary>What stands in a line.</summary>
internal static class InlineJson
{
    /// <returns>Null for one that holds no picture.</returns>
    public static LinePicture? Picture(NodeReader node)
    {
        var attrs = node.Attributes;
        if (attrs.Id("asset") is not { } asset)
            return null;
        var alt = new AltChoice(attrs.Flag("decorative"), attrs.OptionalText("alt", PictureMetadata.MaxChars));
        return new(
            LinePicture.Of(node.Id(), asset, attrs.Choice("height", LineHeight.Line), alt),
            node.Marked(new TextRun("")).Link
        );
    }

    /// <summary>A run of text, a break or a picture.</summary>
    public static JsonObject Write(Inline inline) =>
        inline switch
        {
            LinePicture picture => Write(picture),
            TextRun run => Write(run),
            _ => new() { ["type"] = "hardBreak" },
        };

    private static JsonObject Write(LinePicture one)
    {
        var f = one.Figure;
        var picture = Node.Of(
            "linePicture",
            f.Id,
            null,
            ("asset", f.AssetId),
            ("height", WireName.Of(((FigureSize.InLine)f.Size).Height)),
            ("alt", f.Alt.Own),
            ("decorative", f.Alt.Decorative)
        );
        if (one.Link is not null)
            picture["marks"] = new JsonArray(LinkMark(one.Link));
        return picture;
    }

    private static JsonObject Write(TextRun run)
    {
        var node = new JsonObject { ["type"] = "text", ["text"] = run.Text };
        var marks = new JsonArray();
        if (run.Bold)
            marks.Add(new JsonObject { ["type"] = "bold" });
        if (run.Italic)
            marks.Add(new JsonObject { ["type"] = "italic" });
        if (run.Link is not null)
            marks.Add(LinkMark(run.Link));
        if (marks.Count > 0)
            node["marks"] = marks;
        return node;
    }

    private static JsonNode LinkMark(string link) =>
        new JsonObject
        {
            ["type"] = "link",
            ["attrs"] = new JsonObject { ["href"] = link },
        };
}
