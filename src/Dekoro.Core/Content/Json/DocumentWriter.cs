using System.Text.Json.Nodes;

namespace Dekoro.Core.Content;

/// <summary>Writes a document as the JSON that <see cref="DocumentReader"/> reads and the editor edits.</summary>
public static class DocumentWriter
{
    /// <summary>As JSON, as it is kept and sent; <see cref="DocumentReader"/> reads it.</summary>
    public static JsonObject Write(Document document) =>
        new() { ["type"] = "doc", ["content"] = Node.List(document.Blocks.Select(Write)) };

    /// <summary>One piece, with what stands in it.</summary>
    public static JsonNode Write(Block block) => BlockKind.Writing(block).Write(block);
}
