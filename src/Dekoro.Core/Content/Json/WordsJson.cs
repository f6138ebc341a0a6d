using System.Text.Json.Nodes;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Content;

/// <summary>Pieces of words, tables of files and arrangements.</summary>
internal static class WordsJson
{
    private const int MaxButtonChars = 200,
        MaxFileChars = 300;

    /// <summary>Each with how it is read and written.</summary>
    public static IEnumerable<BlockKind> Kinds =>
        [
            BlockKind.For<ParagraphBlock>(
                ["paragraph"],
                node => new ParagraphBlock(node.Id(), node.Inlines()) { IsSmall = node.Attributes.Flag("small") },
                // What was kept before there were small lines is written as it was.
                p => Node.Of("paragraph", p.Id, p.Inlines.Select(InlineJson.Write), p.IsSmall ? [("small", true)] : [])
            ),
            BlockKind.For<HeadingBlock>(
                ["heading"],
                node => new HeadingBlock(node.Id(), Level(node), node.Inlines()),
                h => Node.Of("heading", h.Id, h.Inlines.Select(InlineJson.Write), ("level", h.Level))
            ),
            BlockKind.For<ListBlock>(["bulletList", "orderedList"], List, l =>
                Node.Of(l.Ordered ? "orderedList" : "bulletList", l.Id, l.Items.Select(Node.Item))
            ),
            BlockKind.For<QuoteBlock>(
                ["blockquote"],
                node => new QuoteBlock(node.Id(), node.Blocks(node.Place.Inside)),
                q => Node.Of("blockquote", q.Id, q.Blocks.Select(DocumentWriter.Write))
            ),
            BlockKind.For<ButtonBlock>(["button"], Button, Write),
            BlockKind.For<RuleBlock>(
                ["horizontalRule"],
                node => new RuleBlock(node.Id()),
                r => Node.Of("horizontalRule", r.Id, null)
            ),
            BlockKind.For<FilesBlock>(["files"], Files, Write) with
            {
                MayStand = place => place.IsOnPageOrInCell,
            },
            BlockKind.For<ArrangementBlock>(["arrangement"], Arrangement, Write) with
            {
                MayStand = place => place is { IsOnPage: true, InCell: false },
            },
        ];

    private static int Level(NodeReader node)
    {
        if (node.Attributes.Written("level") is { ValueKind: System.Text.Json.JsonValueKind.Number } level)
            if (level.TryGetInt32(out var n) && n is >= 2 and <= 4)
                return n;
        node.Attributes.Refuse("level", "A heading's level is 2, 3 or 4; the page's title is the first.");
        return 2;
    }

    private static ListBlock List(NodeReader node)
    {
        var (id, items) = (node.Id(), new List<System.Collections.Immutable.ImmutableArray<Block>>());
        foreach (var item in node.Children())
        {
            if (item.Type != "listItem")
                item.Refuse("A list holds list items only.");
            else if (item.Blocks(node.Place.Inside) is { IsEmpty: false } blocks)
                items.Add(blocks);
        }
        return new(id, node.Type == "orderedList", [.. items]);
    }

    private static ButtonBlock Button(NodeReader node)
    {
        var words = string.Concat(node.Inlines().Select(i => i is TextRun run ? run.Text : " "));
        if (words.Length > MaxButtonChars)
            node.Refuse($"A button holds at most {MaxButtonChars} characters: say more beside it.");
        return new(
            node.Id(),
            words,
            node.Attributes.Text("link", NodeReader.MaxAddressChars),
            node.Attributes.Choice("kind", ButtonKind.Filled)
        );
    }

    private static JsonObject Write(ButtonBlock button) =>
        Node.Of(
            "button",
            button.Id,
            button.Text.Length > 0 ? [InlineJson.Write(new TextRun(button.Text))] : [],
            ("link", button.Link),
            ("kind", WireName.Of(button.Kind))
        );

    private static FilesBlock Files(NodeReader node)
    {
        var files = node
            .Attributes.Objects("files")
            .Select(file =>
                file.Id("file") is { } id ? new ListedFile(id, file.TextOrNone("words", MaxFileChars)) : null
            )
            .OfType<ListedFile>()
            .ToList();
        if (files.Count > FilesBlock.Max)
            node.Attributes.Refuse("files", $"A table holds at most {FilesBlock.Max} files.");
        return new(node.Id(), [.. files]);
    }

    private static JsonObject Write(FilesBlock table)
    {
        var files = table.Files.Select(file => new JsonObject { ["file"] = file.FileId, ["words"] = file.Words });
        return Node.Of("files", table.Id, null, ("files", new JsonArray([.. files])));
    }

    private static ArrangementBlock Arrangement(NodeReader node) =>
        new(
            node.Id(),
            node.Attributes.Text("arrangement", NodeReader.MaxIdChars),
            node.Attributes.Choice("reach", SizeRole.Wide)
        );

    private static JsonObject Write(ArrangementBlock one) =>
        Node.Of("arrangement", one.Id, null, ("arrangement", one.ArrangementId), ("reach", WireName.Of(one.Reach)));
}
