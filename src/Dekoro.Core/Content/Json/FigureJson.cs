using System.Text.Json.Nodes;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>Places for pictures.</summary>
internal static class FigureJson
{
    /// <summary>How the size of a picture in a cell is written.</summary>
    private const string CellSize = "cell";

    /// <summary>How it is written that a picture stands whole at a width, where it is cut elsewhere.</summary>
    private const string AsIs = "as is";

    /// <summary>Each with how it is read and written.</summary>
    public static IEnumerable<BlockKind> Kinds =>
        [
            BlockKind.For<FigureBlock>(["figure"], Figure, Write) with
            {
                MayStand = place => place.IsOnPageOrInCell,
                Elsewhere = "A picture stands between pieces of the page or in a cell, not inside a list or a quote.",
            },
        ];

    private static FigureBlock? Figure(NodeReader node)
    {
        if (!node.HasAttributes)
        {
            node.Refuse("A figure says in “attrs” which picture it holds.");
            return null;
        }
        var (attrs, inCell) = (node.Attributes, node.Place.InCell);
        var asset = attrs.Text("asset", NodeReader.MaxIdChars);
        var cut = new CutChoice(Shape(attrs), CutJson.Read(attrs));
        return new(
            node.Id(),
            asset,
            Size(attrs, inCell),
            attrs.Choice("side", HorizontalAlign.Centre),
            attrs.Flag("beside"),
            cut,
            new(attrs.Flag("decorative"), attrs.OptionalText("alt", PictureMetadata.MaxChars)),
            new(attrs.Choice("captionSource", CaptionSource.None), attrs.Text("caption", PictureMetadata.MaxChars))
        )
        {
            Link = new(
                attrs.Choice("linkKind", FigureLinkKind.None),
                attrs.Text("linkTarget", NodeReader.MaxAddressChars)
            ),
            // What is otherwise at a width is set of a picture, and so is what plays over it.
            Exceptions = asset.Length > 0 ? Exceptions(attrs, cut.Shape, inCell) : default,
            FrameStyle = FrameStyleJson.Read(attrs),
            Video = asset.Length > 0 ? VideoJson.Read(attrs) : null,
        };
    }

    private static AspectRatio? Shape(AttributeReader attrs)
    {
        var text = attrs.Text("shape", 20);
        if (text.Length == 0 || text == AsIs)
            return null;
        if (AspectRatio.TryParse(text, out var ratio) && ratio.MayBeChosen())
            return ratio;
        attrs.Refuse("shape", "A shape is written 3:2, between 1:20 and 20:1; empty is as is.");
        return null;
    }

    private static FigureSize Size(AttributeReader attrs, bool inCell)
    {
        if (inCell)
            return new FigureSize.OfCell();
        var size = attrs.Written("size");
        switch (size.ValueKind)
        {
            case System.Text.Json.JsonValueKind.Number:
                if (size.TryGetInt32(out var px) && px is >= FigureSize.ByPx.Min and <= FigureSize.ByPx.Max)
                    return new FigureSize.ByPx(px);
                attrs.Refuse(
                    "size",
                    $"A size in px is a whole number from {FigureSize.ByPx.Min} to {FigureSize.ByPx.Max}."
                );
                return new FigureSize.ByRole(SizeRole.Column);
            // Moved out of a cell, a picture takes the column.
            case System.Text.Json.JsonValueKind.String when size.ValueEquals(CellSize):
                return new FigureSize.ByRole(SizeRole.Column);
            default:
                return new FigureSize.ByRole(attrs.Choice("size", SizeRole.Column));
        }
    }

    private static PerClass<FigureException?> Exceptions(AttributeReader attrs, AspectRatio? shape, bool inCell)
    {
        if (!attrs.Has("at"))
            return default;
        if (attrs.Object("at") is not { } all || all.Names.Any(name => !WireName.TryRead<WidthClass>(name, out _)))
        {
            attrs.Refuse("at", "Exceptions are given for phone, tablet and desktop, each an object.");
            return default;
        }
        var exceptions = default(PerClass<FigureException?>).Select(
            (c, _) => all.Object(WireName.Of(c)) is { } own ? Exception(own, shape, inCell) : null
        );
        if (!WidthClasses.All.All(c => exceptions[c]?.Hidden ?? false))
            return exceptions;
        attrs.Refuse("at", "A picture is not hidden at every width: take it out instead.");
        return default;
    }

    /// <returns>Null for one that changes nothing.</returns>
    private static FigureException? Exception(AttributeReader own, AspectRatio? shape, bool inCell)
    {
        var (cutsAnew, drawn) = (own.Has("shape"), CutJson.Read(own));
        var exception = new FigureException(
            own.Flag("hidden"),
            own.Id("asset"),
            !inCell && own.Has("size") ? Size(own, inCell) : null,
            own.Has("side") ? own.Choice("side", HorizontalAlign.Centre) : null,
            own.Has("beside") ? own.Flag("beside") : null,
            cutsAnew || drawn is not null ? new CutChoice(cutsAnew ? Shape(own) : shape, drawn) : null
        );
        return exception == FigureException.None ? null : exception;
    }

    private static JsonObject Write(FigureBlock f) =>
        Node.Of(
            "figure",
            f.Id,
            null,
            ("asset", f.AssetId),
            ("size", Written(f.Size)),
            ("side", WireName.Of(f.Side)),
            ("beside", f.TextBeside),
            ("shape", f.Cut.Shape?.ToString()),
            ("cut", CutJson.Write(f.Cut.Drawn)),
            ("alt", f.Alt.Own),
            ("decorative", f.Alt.Decorative),
            ("captionSource", WireName.Of(f.Caption.Source)),
            ("caption", f.Caption.Own),
            ("linkKind", WireName.Of(f.Link.Kind)),
            ("linkTarget", f.Link.Target),
            ("at", Written(f.Exceptions)),
            ("look", FrameStyleJson.Write(f.FrameStyle)),
            ("video", VideoJson.Write(f.Video))
        );

    /// <summary>By class of screen; null where everything is as everywhere.</summary>
    private static JsonObject? Written(PerClass<FigureException?> exceptions)
    {
        var written = new JsonObject();
        foreach (var c in WidthClasses.All)
        {
            if (exceptions[c] is { } own)
                written[WireName.Of(c)] = Written(own);
        }
        return written.Count > 0 ? written : null;
    }

    private static JsonObject Written(FigureException own)
    {
        var written = new JsonObject();
        if (own.Hidden)
            written["hidden"] = true;
        if (own.AssetId is not null)
            written["asset"] = own.AssetId;
        if (own.Size is { } size)
            written["size"] = Written(size);
        if (own.Side is { } side)
            written["side"] = WireName.Of(side);
        if (own.TextBeside is { } beside)
            written["beside"] = beside;
        if (own.Cut is { } cut)
        {
            written["shape"] = cut.Shape?.ToString() ?? AsIs;
            if (cut.Drawn is not null)
                written["cut"] = CutJson.Write(cut.Drawn);
        }
        return written;
    }

    private static JsonNode Written(FigureSize size) =>
        size switch
        {
            FigureSize.ByPx px => px.CssPx,
            FigureSize.ByRole role => WireName.Of(role.Role),
            _ => CellSize,
        };
}
