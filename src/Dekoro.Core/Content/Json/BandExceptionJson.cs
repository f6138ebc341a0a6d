using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>What a band has of its own on one class of screen or another.</summary>
internal static class BandExceptionJson
{
    private const int MaxWithout = 100;

    public static PerClass<BandException?> Read(AttributeReader attrs)
    {
        if (!attrs.Has("at"))
            return default;
        if (attrs.Object("at") is { } all && all.Names.All(name => WireName.TryRead<WidthClass>(name, out _)))
            return default(PerClass<BandException?>).Select(
                (c, _) => all.Object(WireName.Of(c)) is { } own ? Exception(own) : null
            );
        attrs.Refuse("at", "Exceptions are given for phone, tablet and desktop, each an object.");
        return default;
    }

    /// <returns>Null for one that changes nothing.</returns>
    private static BandException? Exception(AttributeReader own)
    {
        var exception = new BandException(
            own.Id("picture"),
            CutJson.Read(own),
            own.Has("across") ? own.Choice("across", HorizontalAlign.Left) : null,
            own.Has("down") ? own.Choice("down", VerticalAlign.Middle) : null,
            Without(own)
        );
        return exception.IsNone ? null : exception;
    }

    private static ImmutableArray<string> Without(AttributeReader own)
    {
        if (!own.Has("without"))
            return [];
        if (
            own.Written("without") is { ValueKind: JsonValueKind.Array } list
            && list.GetArrayLength() <= MaxWithout
            && list.EnumerateArray()
                .All(id => id is { ValueKind: JsonValueKind.String } && id.GetString()!.Length <= NodeReader.MaxIdChars)
        )
            return [.. list.EnumerateArray().Select(id => id.GetString()!).Distinct().Order(StringComparer.Ordinal)];
        own.Refuse("without", $"This is a list of at most {MaxWithout} ids of pieces.");
        return [];
    }

    /// <summary>By class of screen; null where everything is as everywhere.</summary>
    public static JsonObject? Write(PerClass<BandException?> exceptions)
    {
        var written = new JsonObject();
        foreach (var c in WidthClasses.All)
        {
            if (exceptions[c] is { IsNone: false } own)
                written[WireName.Of(c)] = Written(own);
        }
        return written.Count > 0 ? written : null;
    }

    private static JsonObject Written(BandException own)
    {
        var written = new JsonObject();
        if (own.AssetId is { } picture)
            written["picture"] = picture;
        if (own.Keep is { } keep)
            written["cut"] = CutJson.Write(keep);
        if (own.Across is { } across)
            written["across"] = WireName.Of(across);
        if (own.Down is { } down)
            written["down"] = WireName.Of(down);
        if (!own.Without.IsEmpty)
            written["without"] = Node.List(own.Without.Select(id => (JsonNode)id));
        return written;
    }
}
