using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Content;

/// <summary>The look of a picture's frame: the id of one of the site's, or one written out.</summary>
internal static class FrameStyleJson
{
    private const string Name = "look";

    /// <summary>None where none is given.</summary>
    public static FrameStyleChoice Read(AttributeReader attrs)
    {
        var look = attrs.Written(Name);
        if (look.ValueKind == JsonValueKind.Undefined)
            return FrameStyleChoice.None;
        if (look.ValueKind == JsonValueKind.String)
            return attrs.TextOrNone(Name, 40) is { } id ? new(id, null) : FrameStyleChoice.None;
        var reading = Reading(look);
        if (reading.FrameStyle is not null)
            return new(null, reading.FrameStyle);
        attrs.Refuse(Name, reading.Sentence!);
        return FrameStyleChoice.None;
    }

    private static FrameStyleReading Reading(JsonElement look)
    {
        try
        {
            if (look.ValueKind == JsonValueKind.Object)
                return look.Deserialize<FrameStyleValues>(ValuesJson.Options)!.Read();
        }
        catch (JsonException)
        {
            // Said below, as of any look that cannot be read.
        }
        return new(
            null,
            "A look is the id of one of the site's, or written out with line, corners, padding, background and shadow."
        );
    }

    /// <summary>The same as it is read.</summary>
    public static JsonNode? Write(FrameStyleChoice look) =>
        look.Own is { } own
            ? JsonSerializer.SerializeToNode(FrameStyleValues.Of(own), ValuesJson.Options)
            : look.NamedId;
}
