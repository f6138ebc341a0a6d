using System.Collections.Immutable;
using System.Text.Json;

namespace Dekoro.Core.Content;

/// <summary>
/// One node of a document while it is read: what is wrong with it is said of its path, and reading goes on with the
/// usual value.
/// </summary>
internal sealed class NodeReader(DocumentReader document, JsonElement node, string path, PlaceInPage place)
{
    /// <summary>Of any id that is written.</summary>
    public const int MaxIdChars = 64;

    /// <summary>Of any address that is written.</summary>
    public const int MaxAddressChars = 2000;

    private static readonly JsonElement Nothing = JsonDocument.Parse("{}").RootElement;

    /// <summary>Where in the JSON it stands.</summary>
    public string Path => path;

    /// <summary>Where on the page it stands.</summary>
    public PlaceInPage Place => place;

    /// <summary>The type it says it is of; empty for none.</summary>
    public string Type => DocumentReader.Type(node);

    /// <summary>Its attributes.</summary>
    public AttributeReader Attributes =>
        new(
            document,
            node.TryGetProperty("attrs", out var given) && IsObject(given) ? given : Nothing,
            path + ".attrs."
        );

    /// <summary>Whether it has attributes at all.</summary>
    public bool HasAttributes => node.TryGetProperty("attrs", out var given) && IsObject(given);

    /// <summary>Its own id, or one made anew; each call takes one.</summary>
    public string Id() => document.IdOf(node);

    /// <summary>The pieces in it.</summary>
    public ImmutableArray<Block> Blocks(PlaceInPage inside) => document.Blocks(node, path, inside);

    /// <summary>Words and pictures in its line.</summary>
    public ImmutableArray<Inline> Inlines() => document.Inlines(node, path);

    /// <summary>The nodes in it.</summary>
    public IEnumerable<NodeReader> Children() =>
        document.Children(node, path).Select(c => new NodeReader(document, c.Node, c.Path, place));

    /// <summary>A run of text with the marks that this node has.</summary>
    public TextRun Marked(TextRun run) => document.Marked(run, node, path);

    /// <summary>Says what is wrong with it.</summary>
    public void Refuse(string sentence) => document.Refuse(path, sentence);

    private static bool IsObject(JsonElement value) => value.ValueKind == JsonValueKind.Object;
}
