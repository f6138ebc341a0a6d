using System.Collections.Immutable;
using System.Text.Json.Nodes;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Content;

/// <summary>Pieces that hold others over a ground: columns with their cells, and bands.</summary>
internal static class HolderJson
{
    /// <summary>Each with how it is read and written.</summary>
    public static IEnumerable<BlockKind> Kinds =>
        [
            BlockKind.For<ColumnsBlock>(["columns"], Columns, Write) with
            {
                MayStand = place => place.IsOnPage,
            },
            BlockKind.For<BandBlock>(["band"], Band, Write) with
            {
                MayStand = place => place is { IsOnPage: true, InBand: false },
                Elsewhere = "A band stands between pieces of the page, not inside another piece.",
            },
        ];

    private static ColumnsBlock Columns(NodeReader node)
    {
        var (inRow, extent, attrs) = (ColumnsBlock.MinInRow, Extent.Column, node.Attributes);
        if (!attrs.IsEmpty)
            (extent, inRow) = (attrs.Choice("extent", Extent.Column), InRow(attrs));
        var cells = Cells(node);
        if (cells.IsEmpty)
            node.Refuse("Columns hold one cell at least.");
        return new(
            node.Id(),
            inRow,
            extent,
            attrs.Each("leastHeight", BandBlock.MaxHeightPx),
            attrs.Choice("across", HorizontalAlign.Left),
            attrs.Choice("down", VerticalAlign.Middle),
            cells
        );
    }

    private static int InRow(AttributeReader attrs)
    {
        var given = attrs.Written("inRow");
        if (given.ValueKind == System.Text.Json.JsonValueKind.Number && given.TryGetInt32(out var inRow))
            if (inRow is >= ColumnsBlock.MinInRow and <= ColumnsBlock.MaxInRow)
                return inRow;
        attrs.Refuse("inRow", $"From {ColumnsBlock.MinInRow} to {ColumnsBlock.MaxInRow} cells stand in a row.");
        return ColumnsBlock.MinInRow;
    }

    private static ImmutableArray<CellBlock> Cells(NodeReader node)
    {
        var cells = ImmutableArray.CreateBuilder<CellBlock>();
        foreach (var cell in node.Children())
        {
            if (cell.Type != "cell")
                cell.Refuse("Columns hold cells only.");
            else if (cells.Count == ColumnsBlock.MaxCells)
                cell.Refuse($"Columns hold at most {ColumnsBlock.MaxCells} cells.");
            else
                cells.Add(
                    new(cell.Id(), Ground(cell.Attributes), cell.Blocks(node.Place with { Depth = 1, InCell = true }))
                );
        }
        return cells.ToImmutable();
    }

    private static JsonObject Write(ColumnsBlock columns) =>
        Node.Of(
            "columns",
            columns.Id,
            columns.Cells.Select(cell =>
                Node.Of("cell", cell.Id, cell.Blocks.Select(DocumentWriter.Write), Written(cell.Backdrop))
            ),
            ("inRow", columns.InRow),
            ("extent", WireName.Of(columns.Extent)),
            ("leastHeight", Node.Each(columns.LeastHeightPx)),
            ("across", WireName.Of(columns.Across)),
            ("down", WireName.Of(columns.Down))
        );

    private static BandBlock Band(NodeReader node)
    {
        var attrs = node.Attributes;
        return new(
            node.Id(),
            Ground(attrs),
            attrs.Each("leastHeight", BandBlock.MaxHeightPx),
            attrs.Choice("across", HorizontalAlign.Left),
            attrs.Choice("down", VerticalAlign.Middle),
            node.Blocks(node.Place with { Depth = 0, InBand = true })
        )
        {
            Link = attrs.Text("link", NodeReader.MaxAddressChars),
            Exceptions = BandExceptionJson.Read(attrs),
        };
    }

    private static JsonObject Write(BandBlock band) =>
        Node.Of(
            "band",
            band.Id,
            band.Blocks.Select(DocumentWriter.Write),
            [
                .. Written(band.Backdrop),
                ("leastHeight", Node.Each(band.LeastHeightPx)),
                ("across", WireName.Of(band.Across)),
                ("down", WireName.Of(band.Down)),
                // Of banners alone: what was kept before there were any is written as it was.
                .. band.Link.Length > 0 ? [("link", (JsonNode?)band.Link)] : Array.Empty<(string, JsonNode?)>(),
                .. BandExceptionJson.Write(band.Exceptions) is { } at
                    ? [("at", (JsonNode?)at)]
                    : Array.Empty<(string, JsonNode?)>(),
            ]
        );

    private static Backdrop Ground(AttributeReader attrs)
    {
        var picture = attrs.Id("picture");
        var video = picture is null ? null : attrs.Id("video");
        return new(
            attrs.Colour("colour"),
            picture,
            attrs.Flag("repeats"),
            attrs.Colour("tint") ?? Backdrop.None.Tint,
            attrs.Each("tintStrength", Readability.Steps),
            attrs.Choice("words", WordsTone.Dark),
            video
        )
        {
            SetId = picture is not null && video is null ? attrs.Id("set") : null,
        };
    }

    private static (string Name, JsonNode? Value)[] Written(Backdrop ground) =>
        [
            ("colour", ground.Colour?.ToString()),
            ("picture", ground.AssetId),
            ("repeats", ground.Repeats),
            ("tint", ground.Tint.ToString()),
            ("tintStrength", Node.Each(ground.TintStrength)),
            ("words", WireName.Of(ground.Tone)),
            ("video", ground.VideoId),
            ("set", ground.SetId),
        ];
}
