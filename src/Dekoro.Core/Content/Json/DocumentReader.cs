using System.Collections.Immutable;
using System.Text.Json;

namespace Dekoro.Core.Content;

/// <summary>
/// Reads the editor's JSON (ProseMirror's node format) into typed records, and refuses what it does not know, naming
/// the path. What does not show is taken out: runs of spaces become one, pieces without words or picture go.
/// </summary>
public sealed class DocumentReader
{
    /// <summary>So deep pieces may stand inside each other.</summary>
    public const int MaxDepth = 12;

    private const int MaxErrors = 20,
        MaxBlocks = 20_000,
        MaxTextLength = 4_000_000;

    private readonly List<DocumentError> _errors = [];
    private readonly HashSet<string> _ids = [];
    private int _blocks,
        _textLength,
        _made;

    private DocumentReader() { }

    /// <summary>The document that the JSON stands for, or the first thing that is wrong with it, and where.</summary>
    public static DocumentReading Read(JsonElement json)
    {
        var reader = new DocumentReader();
        if (json.ValueKind != JsonValueKind.Object || Type(json) != "doc")
        {
            reader.Refuse("", "A document is an object of type “doc” with a list “content”.");
            return new(null, [.. reader._errors]);
        }
        var blocks = reader.Blocks(json, "", default);
        return reader._errors.Count > 0 ? new(null, [.. reader._errors]) : new(new Document(blocks), []);
    }

    internal ImmutableArray<Block> Blocks(JsonElement parent, string path, PlaceInPage place)
    {
        if (place.Depth > MaxDepth)
        {
            Refuse(path, $"Pieces stand inside each other more than {MaxDepth} deep.");
            return [];
        }
        var blocks = ImmutableArray.CreateBuilder<Block>();
        foreach (var (node, at) in Children(parent, path))
        {
            if (_errors.Count >= MaxErrors)
                break;
            if (++_blocks > MaxBlocks)
            {
                Refuse(at, $"A page holds at most {MaxBlocks} pieces.");
                break;
            }
            if (Block(node, at, place) is { IsBlank: false } block)
                blocks.Add(block);
        }
        return blocks.ToImmutable();
    }

    private Block? Block(JsonElement node, string path, PlaceInPage place)
    {
        var kind = BlockKind.Named(Type(node));
        if (kind is not null && kind.MayStand(place))
            return kind.Read(new NodeReader(this, node, path, place));
        Refuse(path, kind?.Elsewhere ?? $"A piece of the kind “{Type(node)}” is not known here.");
        return null;
    }

    internal ImmutableArray<Inline> Inlines(JsonElement parent, string path)
    {
        var inlines = new List<Inline>();
        foreach (var (node, at) in Children(parent, path))
        {
            switch (Type(node))
            {
                case "text":
                    var text = TextOf(node);
                    if ((_textLength += text.Length) > MaxTextLength)
                    {
                        Refuse(at, $"A page holds at most {MaxTextLength} characters.");
                        return [];
                    }
                    if (text.Length > 0)
                        inlines.Add(Marked(new TextRun(text), node, at));
                    break;
                case "hardBreak":
                    inlines.Add(new LineBreak());
                    break;
                case "linePicture":
                    if (InlineJson.Picture(new NodeReader(this, node, at, default)) is { } picture)
                        inlines.Add(picture);
                    break;
                default:
                    Refuse(at, $"“{Type(node)}” cannot stand inside a line.");
                    break;
            }
        }
        return Whitespace.Collapse(inlines);
    }

    private static string TextOf(JsonElement node) =>
        node.TryGetProperty("text", out var t) && t.ValueKind == JsonValueKind.String ? t.GetString()! : "";

    internal TextRun Marked(TextRun run, JsonElement node, string path)
    {
        if (!node.TryGetProperty("marks", out var marks) || marks.ValueKind != JsonValueKind.Array)
            return run;
        var i = 0;
        foreach (var mark in marks.EnumerateArray())
        {
            var at = $"{path}.marks[{i++}]";
            var read = new NodeReader(this, mark, at, default);
            switch (Type(mark))
            {
                case "bold":
                    run = run with { Bold = true };
                    break;
                case "italic":
                    run = run with { Italic = true };
                    break;
                case "link" when read.HasAttributes:
                    run = run with { Link = read.Attributes.Text("href", NodeReader.MaxAddressChars) };
                    break;
                default:
                    Refuse(at, $"Words cannot be marked “{Type(mark)}” here.");
                    break;
            }
        }
        return run;
    }

    /// <summary>
    /// Ids that are missing, strange or taken are made anew, from a counter: the same JSON reads the same twice.
    /// </summary>
    internal string IdOf(JsonElement node)
    {
        if (WrittenId(node) is { } text && _ids.Add(text))
            return text;
        string made;
        do made = $"n{++_made}";
        while (!_ids.Add(made));
        return made;
    }

    private static string? WrittenId(JsonElement node) =>
        node.TryGetProperty("attrs", out var attrs)
        && attrs.ValueKind == JsonValueKind.Object
        && attrs.TryGetProperty("id", out var id)
        && id.ValueKind == JsonValueKind.String
        && id.GetString() is { Length: > 0 and <= 40 } text
        && text.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_')
            ? text
            : null;

    internal IEnumerable<(JsonElement Node, string Path)> Children(JsonElement parent, string path)
    {
        if (!parent.TryGetProperty("content", out var content) || content.ValueKind == JsonValueKind.Null)
            yield break;
        var at = path.Length == 0 ? "content" : path + ".content";
        if (content.ValueKind != JsonValueKind.Array)
        {
            Refuse(at, "Content is a list.");
            yield break;
        }
        var i = 0;
        foreach (var node in content.EnumerateArray())
        {
            var child = $"{at}[{i++}]";
            if (node.ValueKind == JsonValueKind.Object)
                yield return (node, child);
            else
                Refuse(child, "Each piece is an object with a type.");
        }
    }

    internal void Refuse(string path, string sentence)
    {
        if (_errors.Count < MaxErrors)
            _errors.Add(new(path, sentence));
    }

    internal static string Type(JsonElement node) =>
        node.ValueKind == JsonValueKind.Object
        && node.TryGetProperty("type", out var type)
        && type.ValueKind == JsonValueKind.String
            ? type.GetString()!
            : "";
}
