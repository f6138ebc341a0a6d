using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>Writes a document as the JSON that <see cref="DocumentReader"/> reads and the editor edits.</summary>
public static class DocumentWriter
{
    /// <summary>As JSON, as it is kept and sent; <see cref="DocumentReader"/> reads it.</summary>
    public static JsonObject Write(Document document) =>
        new() { ["type"] = "doc", ["content"] = Array(document.Blocks.Select(Block)) };

    /// <summary>One piece, with what stands in it.</summary>
    public static JsonNode Write(Block block) => Block(block);

    /// <summary>How a choice is written: as the enum says it, beginning small.</summary>
    internal static string Written<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    private static JsonNode Block(Block block) =>
        block switch
        {
            ParagraphBlock p => Node("paragraph", p.Id, p.Inlines.Select(Inline)),
            HeadingBlock h => Node("heading", h.Id, h.Inlines.Select(Inline), ("level", h.Level)),
            ListBlock l => Node(
                l.Ordered ? "orderedList" : "bulletList",
                l.Id,
                l.Items.Select(item =>
                    (JsonNode)new JsonObject { ["type"] = "listItem", ["content"] = Array(item.Select(Block)) }
                )
            ),
            QuoteBlock q => Node("blockquote", q.Id, q.Blocks.Select(Block)),
            RuleBlock r => Node("horizontalRule", r.Id, null),
            FigureBlock f => Figure(f),
            ArrangementBlock a => Node(
                "arrangement",
                a.Id,
                null,
                ("arrangement", a.ArrangementId),
                ("reach", Written(a.Reach))
            ),
            FilesBlock f => Node(
                "files",
                f.Id,
                null,
                (
                    "files",
                    new JsonArray([
                        .. f.Files.Select(file => new JsonObject { ["file"] = file.FileId, ["words"] = file.Words }),
                    ])
                )
            ),
            ButtonBlock b => Node(
                "button",
                b.Id,
                b.Text.Length > 0 ? [Inline(new TextRun(b.Text))] : [],
                ("link", b.Link),
                ("kind", Written(b.Kind))
            ),
            ColumnsBlock c => Node(
                "columns",
                c.Id,
                c.Cells.Select(cell => Node("cell", cell.Id, cell.Blocks.Select(Block), Written(cell.Ground))),
                ("inRow", c.InRow),
                ("extent", Written(c.Extent)),
                ("leastHeight", Each(c.LeastHeightPx)),
                ("across", Written(c.Across)),
                ("down", Written(c.Down))
            ),
            BandBlock b => Band(b),
            _ => throw new ArgumentException($"No way to write {block.GetType().Name}.", nameof(block)),
        };

    private static JsonObject Band(BandBlock b) =>
        Node(
            "band",
            b.Id,
            b.Blocks.Select(Block),
            [
                .. Written(b.Ground),
                ("leastHeight", Each(b.LeastHeightPx)),
                ("across", Written(b.Across)),
                ("down", Written(b.Down)),
            ]
        );

    private static (string Name, JsonNode? Value)[] Written(Backdrop ground) =>
        [
            ("colour", ground.Colour?.ToString()),
            ("picture", ground.AssetId),
            ("repeats", ground.Repeats),
            ("tint", ground.Tint.ToString()),
            ("tintStrength", Each(ground.TintStrength)),
            ("words", Written(ground.Words)),
            ("video", ground.VideoId),
            ("set", ground.SetId),
        ];

    /// <summary>A number for each class of screen, phone first.</summary>
    private static JsonArray Each(PerClass<int> numbers) =>
        new([.. WidthClasses.All.Select(c => (JsonNode)numbers[c])]);

    private static JsonObject Figure(FigureBlock f) =>
        Node(
            "figure",
            f.Id,
            null,
            ("asset", f.AssetId),
            ("size", Written(f.Size)),
            ("side", Written(f.Side)),
            ("beside", f.TextBeside),
            ("shape", f.Cut.Shape?.ToString()),
            ("cut", Written(f.Cut.Drawn)),
            ("alt", f.Alt.Own),
            ("decorative", f.Alt.Decorative),
            ("captionSource", Written(f.Caption.Source)),
            ("caption", f.Caption.Own),
            ("linkKind", Written(f.Link.Kind)),
            ("linkTarget", f.Link.Target),
            ("at", Exceptions(f.Exceptions)),
            ("look", Written(f.Look)),
            ("video", Written(f.Video))
        );

    private static JsonObject? Written(VideoChoice? video) =>
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

    private static JsonNode? Written(FrameStyleChoice look) =>
        look.Own is { } own
            ? JsonSerializer.SerializeToNode(FrameStyleValues.Of(own), ValuesJson.Options)
            : look.NamedId;

    /// <summary>By class of screen; null where everything is as everywhere.</summary>
    private static JsonObject? Exceptions(PerClass<FigureException?> exceptions)
    {
        var written = new JsonObject();
        foreach (var c in WidthClasses.All)
        {
            if (exceptions[c] is { } own)
                written[Written(c)] = Exception(own);
        }
        return written.Count > 0 ? written : null;
    }

    private static JsonObject Exception(FigureException own)
    {
        var written = new JsonObject();
        if (own.Hidden)
            written["hidden"] = true;
        if (own.AssetId is not null)
            written["asset"] = own.AssetId;
        if (own.Size is { } size)
            written["size"] = Written(size);
        if (own.Side is { } side)
            written["side"] = Written(side);
        if (own.TextBeside is { } beside)
            written["beside"] = beside;
        if (own.Cut is { } cut)
        {
            written["shape"] = cut.Shape?.ToString() ?? DocumentReader.AsIs;
            if (cut.Drawn is not null)
                written["cut"] = Written(cut.Drawn);
        }
        return written;
    }

    private static JsonNode Written(FigureSize size) =>
        size switch
        {
            FigureSize.ByPx px => px.CssPx,
            FigureSize.ByRole role => Written(role.Role),
            _ => DocumentReader.CellSize,
        };

    private static JsonObject? Written(DrawnCut? drawn) =>
        drawn is not { Box: var b } cut
            ? null
            : new()
            {
                ["of"] = cut.AssetId,
                ["x"] = b.X,
                ["y"] = b.Y,
                ["width"] = b.Width,
                ["height"] = b.Height,
            };

    private static JsonObject Inline(Inline inline)
    {
        if (inline is LinePicture { Figure: var f } one)
        {
            var picture = Node(
                "linePicture",
                f.Id,
                null,
                ("asset", f.AssetId),
                ("height", Written(((FigureSize.InLine)f.Size).Height)),
                ("alt", f.Alt.Own),
                ("decorative", f.Alt.Decorative)
            );
            if (one.Link is not null)
                picture["marks"] = new JsonArray(LinkMark(one.Link));
            return picture;
        }
        if (inline is not TextRun run)
            return new JsonObject { ["type"] = "hardBreak" };
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

    private static JsonObject Node(
        string type,
        string id,
        IEnumerable<JsonNode>? content,
        params (string Name, JsonNode? Value)[] attrs
    )
    {
        var written = new JsonObject { ["id"] = id };
        foreach (var (name, value) in attrs)
            written[name] = value;
        var node = new JsonObject { ["type"] = type, ["attrs"] = written };
        if (content is not null)
            node["content"] = Array(content);
        return node;
    }

    private static JsonArray Array(IEnumerable<JsonNode> nodes) => new([.. nodes]);
}
