using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Content;

/// <summary>Cuts drawn by hand.</summary>
internal static class CutJson
{
    /// <summary>
    /// Of the picture's width and height: below this a cut drawn by hand shows nothing that can be made out.
    /// </summary>
    private const double MinDrawn = 0.01;

    /// <summary>What sums of two fractions may be off by.</summary>
    private const double Rounding = 0.000001;

    /// <returns>Null where none is given.</returns>
    public static DrawnCut? Read(AttributeReader attrs)
    {
        if (!attrs.Has("cut"))
            return null;
        if (attrs.Object("cut") is { } box && Region(box) is { } region)
            return new(box.Text("of", NodeReader.MaxIdChars), region);
        attrs.Refuse(
            "cut",
            "A cut drawn by hand is x, y, width and height in fractions of the picture, and lies inside it."
        );
        return null;
    }

    private static FocalRegion? Region(AttributeReader box)
    {
        var (x, y, width, height) = (Side("x"), Side("y"), Side("width"), Side("height"));
        var begins = x is >= 0 and < 1 && y is >= 0 and < 1;
        var shows = width is >= MinDrawn and <= 1 && height is >= MinDrawn and <= 1;
        return begins && shows && x + width <= 1 + Rounding && y + height <= 1 + Rounding
            ? new FocalRegion(x, y, Math.Min(width, 1 - x), Math.Min(height, 1 - y))
            : null;

        double Side(string name) => box.Written(name) is { ValueKind: JsonValueKind.Number } v ? v.GetDouble() : -1;
    }

    /// <summary>The same as it is read.</summary>
    public static JsonObject? Write(DrawnCut? drawn) =>
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
}
