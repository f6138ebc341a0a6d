using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Editing;

/// <summary>
/// Edits as JSON: only what differs from nothing is written, always in the same order, so equal edits are equal texts.
/// </summary>
public static class EditsText
{
    /// <summary>Empty for no edits.</summary>
    public static string Write(Edits edits)
    {
        if (edits.IsNone)
            return "";
        var json = new JsonObject();
        if (edits.IsMirrored)
            json["mirror"] = true;
        if (edits.QuarterTurns != 0)
            json["turn"] = edits.QuarterTurns;
        if (edits.StraightenDeg != 0)
            json["straighten"] = edits.StraightenDeg;
        if (edits.Window != Edits.None.Window)
            json["cut"] = new JsonArray(edits.Window.X, edits.Window.Y, edits.Window.Width, edits.Window.Height);
        foreach (var (name, value) in Named(edits.Adjustments).Where(a => a.Value != 0))
            json[name] = value;
        return json.ToJsonString();
    }

    /// <returns>Null where the text is not edits that this version of the program knows.</returns>
    public static Edits? Read(string? text)
    {
        if (string.IsNullOrWhiteSpace(text))
            return Edits.None;
        try
        {
            if (JsonNode.Parse(text) is not JsonObject json)
                return null;
            var known = Named(Adjustments.None).Select(a => a.Name).Concat(["mirror", "turn", "straighten", "cut"]);
            if (json.Any(p => !known.Contains(p.Key)))
                return null;
            int Scale(string name) => (int?)json[name] ?? 0;
            var window = json["cut"] is JsonArray { Count: 4 } cut
                ? new FocalRegion((double)cut[0]!, (double)cut[1]!, (double)cut[2]!, (double)cut[3]!)
                : Edits.None.Window;
            return Edits.Of(
                (int?)json["turn"] ?? 0,
                (bool?)json["mirror"] ?? false,
                (double?)json["straighten"] ?? 0,
                window,
                Adjustments.Of(
                    Scale("light"),
                    Scale("contrast"),
                    Scale("shadows"),
                    Scale("colour"),
                    Scale("warmth"),
                    Scale("sharpen")
                )
            );
        }
        catch (Exception e)
            when (e is JsonException or InvalidOperationException or ArgumentOutOfRangeException or FormatException)
        {
            return null;
        }
    }

    private static (string Name, int Value)[] Named(Adjustments a) =>
        [
            ("light", a.Light),
            ("contrast", a.Contrast),
            ("shadows", a.Shadows),
            ("colour", a.Colour),
            ("warmth", a.Warmth),
            ("sharpen", a.Sharpen),
        ];
}
