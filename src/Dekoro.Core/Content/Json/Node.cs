using System.Collections.Immutable;
using System.Text.Json.Nodes;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>Nodes as they are written.</summary>
internal static class Node
{
    /// <param name="content">What stands in it; null for a node that holds nothing.</param>
    public static JsonObject Of(
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
            node["content"] = List(content);
        return node;
    }

    /// <summary>An item of a list.</summary>
    public static JsonNode Item(ImmutableArray<Block> pieces) =>
        new JsonObject { ["type"] = "listItem", ["content"] = List(pieces.Select(DocumentWriter.Write)) };

    /// <summary>Nodes beside one another.</summary>
    public static JsonArray List(IEnumerable<JsonNode> nodes) => new([.. nodes]);

    /// <summary>A number for each class of screen, phone first.</summary>
    public static JsonArray Each(PerClass<int> numbers) => new([.. WidthClasses.All.Select(c => (JsonNode)numbers[c])]);
}
