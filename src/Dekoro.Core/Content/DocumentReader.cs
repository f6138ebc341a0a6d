using System.Collections.Immutable;
using System.Text.Json;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>
/// Reads the editor's JSON (ProseMirror's node format) into typed records, and refuses what it does not know, naming
/// the path. What does not show is taken out: runs of spaces become one, pieces without words or picture go.
/// </summary>
public sealed class DocumentReader
{
    /// <summary>How the size of a picture in a cell is written.</summary>
    internal const string CellSize = "cell";

    /// <summary>How it is written that a picture stands whole at a width, where it is cut elsewhere.</summary>
    internal const string AsIs = "as is";

    /// <summary>
    /// Of the picture's width and height: below this a cut drawn by hand shows nothing that can be made out.
    /// </summary>
    private const double MinDrawn = 0.01;

    private const int MaxButtonWords = 200;

    /// <summary>So deep pieces may stand inside each other.</summary>
    public const int MaxDepth = 12;

    private const int MaxErrors = 20,
        MaxBlocks = 20_000,
        MaxTextLength = 4_000_000;

    private static readonly JsonElement Nothing = JsonDocument.Parse("{}").RootElement;

    private readonly List<DocumentError> _errors = [];
    private readonly HashSet<string> _ids = [];
    private int _blocks,
        _textLength,
        _made;
    private bool _inCell,
        _inBand;

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
        var blocks = reader.Blocks(json, "", 0);
        return reader._errors.Count > 0 ? new(null, [.. reader._errors]) : new(new Document(blocks), []);
    }

    private ImmutableArray<Block> Blocks(JsonElement parent, string path, int depth)
    {
        if (depth > MaxDepth)
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
            if (Block(node, at, depth) is { IsBlank: false } block)
                blocks.Add(block);
        }
        return blocks.ToImmutable();
    }

    private Block? Block(JsonElement node, string path, int depth) =>
        Type(node) switch
        {
            "paragraph" => new ParagraphBlock(Id(node), Inlines(node, path)),
            "heading" => new HeadingBlock(Id(node), Level(node, path), Inlines(node, path)),
            "bulletList" => new ListBlock(Id(node), false, Items(node, path, depth)),
            "orderedList" => new ListBlock(Id(node), true, Items(node, path, depth)),
            "blockquote" => new QuoteBlock(Id(node), Blocks(node, path, depth + 1)),
            "button" => Button(node, path),
            "horizontalRule" => new RuleBlock(Id(node)),
            var type => Placed(type, node, path, depth),
        };

    /// <summary>What cannot stand just anywhere: pictures and what holds them.</summary>
    private Block? Placed(string type, JsonElement node, string path, int depth)
    {
        var isOnPage = depth == 0;
        var isOnPageOrInCell = depth == (_inCell ? 1 : 0);
        return type switch
        {
            "columns" when isOnPage => Columns(node, path),
            "band" when isOnPage && !_inBand => Band(node, path),
            "arrangement" when isOnPage && !_inCell => new ArrangementBlock(
                Id(node),
                Text(AttrsOf(node), "arrangement", path + ".attrs.", "", 64),
                Choice(AttrsOf(node), "reach", path + ".attrs.", SizeRole.Wide)
            ),
            "files" when isOnPageOrInCell => Files(node, path),
            "figure" when isOnPageOrInCell => Figure(node, path),
            "band" => No("A band stands between pieces of the page, not inside another piece."),
            "figure" => No("A picture stands between pieces of the page or in a cell, not inside a list or a quote."),
            _ => No($"A piece of the kind “{type}” is not known here."),
        };

        Block? No(string sentence)
        {
            Refuse(path, sentence);
            return null;
        }
    }

    private ImmutableArray<ImmutableArray<Block>> Items(JsonElement list, string path, int depth)
    {
        var items = ImmutableArray.CreateBuilder<ImmutableArray<Block>>();
        foreach (var (node, at) in Children(list, path))
        {
            if (Type(node) != "listItem")
                Refuse(at, "A list holds list items only.");
            else if (Blocks(node, at, depth + 1) is { IsEmpty: false } blocks)
                items.Add(blocks);
        }
        return items.ToImmutable();
    }

    private ColumnsBlock Columns(JsonElement node, string path)
    {
        var (inRow, extent, cells, attrsAt) = (
            ColumnsBlock.MinInRow,
            Extent.Column,
            ImmutableArray.CreateBuilder<CellBlock>(),
            path + ".attrs."
        );
        var attrs = AttrsOf(node);
        if (attrs.EnumerateObject().Any())
        {
            extent = Choice(attrs, "extent", attrsAt, Extent.Column);
            if (
                !attrs.TryGetProperty("inRow", out var n)
                || n.ValueKind != JsonValueKind.Number
                || !n.TryGetInt32(out inRow)
                || inRow is < ColumnsBlock.MinInRow or > ColumnsBlock.MaxInRow
            )
                Refuse(
                    attrsAt + "inRow",
                    $"From {ColumnsBlock.MinInRow} to {ColumnsBlock.MaxInRow} cells stand in a row."
                );
        }
        foreach (var (cell, at) in Children(node, path))
        {
            if (Type(cell) != "cell")
                Refuse(at, "Columns hold cells only.");
            else if (cells.Count == ColumnsBlock.MaxCells)
                Refuse(at, $"Columns hold at most {ColumnsBlock.MaxCells} cells.");
            else
            {
                var id = Id(cell);
                _inCell = true;
                cells.Add(new(id, Ground(AttrsOf(cell), at + ".attrs."), Blocks(cell, at, 1)));
                _inCell = false;
            }
        }
        if (cells.Count == 0)
            Refuse(path, "Columns hold one cell at least.");
        return new(
            Id(node),
            inRow,
            extent,
            Each(attrs, "leastHeight", attrsAt, BandBlock.MaxHeightPx),
            Choice(attrs, "across", attrsAt, HorizontalAlign.Left),
            Choice(attrs, "down", attrsAt, VerticalAlign.Middle),
            cells.ToImmutable()
        );
    }

    private static JsonElement AttrsOf(JsonElement node) =>
        node.TryGetProperty("attrs", out var given) && given.ValueKind == JsonValueKind.Object ? given : Nothing;

    private Backdrop Ground(JsonElement attrs, string at)
    {
        var picture = Text(attrs, "picture", at, "", 64);
        var video = picture.Length > 0 ? Text(attrs, "video", at, "", 64) : "";
        return new(
            OptionalColour(attrs, "colour", at),
            picture.Length > 0 ? picture : null,
            Flag(attrs, "repeats", at),
            OptionalColour(attrs, "tint", at) ?? Backdrop.None.Tint,
            Each(attrs, "tintStrength", at, Readability.Steps),
            Choice(attrs, "words", at, WordsTone.Dark),
            video.Length > 0 ? video : null
        )
        {
            SetId =
                picture.Length > 0 && video.Length == 0 && Text(attrs, "set", at, "", 64) is { Length: > 0 } set
                    ? set
                    : null,
        };
    }

    private FilesBlock Files(JsonElement node, string path)
    {
        var (attrs, at, files) = (AttrsOf(node), path + ".attrs.", ImmutableArray.CreateBuilder<ListedFile>());
        if (attrs.TryGetProperty("files", out var list) && list.ValueKind == JsonValueKind.Array)
        {
            foreach (var file in list.EnumerateArray().Where(f => f.ValueKind == JsonValueKind.Object))
            {
                if (Text(file, "file", at, "", 64) is { Length: > 0 } id)
                    files.Add(new(id, Text(file, "words", at, "", 300) is { Length: > 0 } words ? words : null));
            }
        }
        if (files.Count > FilesBlock.Max)
            Refuse(at + "files", $"A table holds at most {FilesBlock.Max} files.");
        return new(Id(node), files.ToImmutable());
    }

    /// <returns>Null for one that holds no picture.</returns>
    private LinePicture? InLine(JsonElement node, string path)
    {
        var (attrs, at) = (AttrsOf(node), path + ".attrs.");
        var asset = Text(attrs, "asset", at, "", 64);
        if (asset.Length == 0)
            return null;
        var alt = new AltChoice(
            Flag(attrs, "decorative", at),
            OptionalText(attrs, "alt", at, PictureMetadata.MaxChars)
        );
        return new(
            LinePicture.Of(Id(node), asset, Choice(attrs, "height", at, LineHeight.Line), alt),
            Marked(new TextRun(""), node, path).Link
        );
    }

    private ButtonBlock Button(JsonElement node, string path)
    {
        var at = path + ".attrs.";
        var words = string.Concat(Inlines(node, path).Select(i => i is TextRun run ? run.Text : " "));
        if (words.Length > MaxButtonWords)
            Refuse(path, $"A button holds at most {MaxButtonWords} characters: say more beside it.");
        return new(
            Id(node),
            words,
            Text(AttrsOf(node), "link", at, "", 2000),
            Choice(AttrsOf(node), "kind", at, ButtonKind.Filled)
        );
    }

    private BandBlock Band(JsonElement node, string path)
    {
        var at = path + ".attrs.";
        var attrs = AttrsOf(node);
        var ground = Ground(attrs, at);
        var heights = Each(attrs, "leastHeight", at, BandBlock.MaxHeightPx);
        var (across, down) = (
            Choice(attrs, "across", at, HorizontalAlign.Left),
            Choice(attrs, "down", at, VerticalAlign.Middle)
        );
        var id = Id(node);
        _inBand = true;
        var blocks = Blocks(node, path, 0);
        _inBand = false;
        return new(id, ground, heights, across, down, blocks);
    }

    private Srgb? OptionalColour(JsonElement attrs, string name, string at)
    {
        var text = Text(attrs, name, at, "", 20);
        if (text.Length == 0)
            return null;
        if (Srgb.TryParse(text, out var colour))
            return colour;
        Refuse(at + name, "A colour is written #rrggbb.");
        return null;
    }

    /// <summary>A whole number for each class of screen, phone first; what is not given is 0.</summary>
    private PerClass<int> Each(JsonElement attrs, string name, string at, int most)
    {
        if (!attrs.TryGetProperty(name, out var list) || list.ValueKind == JsonValueKind.Null)
            return default;
        if (list.ValueKind == JsonValueKind.Array && list.GetArrayLength() == WidthClasses.All.Count)
        {
            var numbers = list.EnumerateArray()
                .Select(n =>
                    n.ValueKind == JsonValueKind.Number && n.TryGetInt32(out var i) && i >= 0 && i <= most ? i : -1
                )
                .ToArray();
            if (numbers.All(n => n >= 0))
                return new(numbers[0], numbers[1], numbers[2]);
        }
        Refuse(at + name, $"This is a list of three whole numbers from 0 to {most}, for phone, tablet and desktop.");
        return default;
    }

    private FigureBlock? Figure(JsonElement node, string path)
    {
        var at = path + ".attrs.";
        if (!node.TryGetProperty("attrs", out var attrs) || attrs.ValueKind != JsonValueKind.Object)
        {
            Refuse(path, "A figure says in “attrs” which picture it holds.");
            return null;
        }
        var asset = Text(attrs, "asset", at, "", 64);
        var cut = new CutChoice(Shape(attrs, at), Drawn(attrs, at));
        return new FigureBlock(
            Id(node),
            asset,
            Size(attrs, at),
            Choice(attrs, "side", at, HorizontalAlign.Centre),
            Flag(attrs, "beside", at),
            cut,
            new AltChoice(Flag(attrs, "decorative", at), OptionalText(attrs, "alt", at, PictureMetadata.MaxChars)),
            new CaptionChoice(
                Choice(attrs, "captionSource", at, CaptionSource.None),
                Text(attrs, "caption", at, "", PictureMetadata.MaxChars)
            ),
            new LinkChoice(Choice(attrs, "linkKind", at, FigureLinkKind.None), Text(attrs, "linkTarget", at, "", 2000))
        )
        {
            // What is otherwise at a width is set of a picture, and so is what plays over it.
            Exceptions = asset.Length > 0 ? Exceptions(attrs, at, cut.Shape) : default,
            Look = Look(attrs, at),
            Video = asset.Length > 0 ? Video(attrs, at) : null,
        };
    }

    private VideoChoice? Video(JsonElement attrs, string at)
    {
        if (!attrs.TryGetProperty("video", out var video) || video.ValueKind == JsonValueKind.Null)
            return null;
        at += "video.";
        if (video.ValueKind == JsonValueKind.Object && Text(video, "file", at, "", 64) is { Length: > 0 } file)
            return new VideoChoice.Own(
                file,
                Text(video, "captions", at, "", 64) is { Length: > 0 } captions ? captions : null,
                Flag(video, "controls", at),
                Flag(video, "loops", at),
                Flag(video, "startsItself", at)
            );
        if (
            video.ValueKind == JsonValueKind.Object
            && (Text(video, "address", at, "", 2000), Text(video, "player", at, "", 2000)) is var (page, player)
            && VideoChoice.Hosted.IsPage(page)
            && VideoChoice.Hosted.IsPlayer(player)
        )
            return new VideoChoice.Hosted(page, player, Text(video, "title", at, "", 300));
        Refuse(
            at,
            "A video is a file of the library, or one of another site by the addresses of its page and of its player."
        );
        return null;
    }

    /// <summary>The id of one of the site's looks, or one written out.</summary>
    private FrameStyleChoice Look(JsonElement attrs, string at)
    {
        if (!attrs.TryGetProperty("look", out var look) || look.ValueKind == JsonValueKind.Null)
            return FrameStyleChoice.None;
        if (look.ValueKind == JsonValueKind.String)
            return Text(attrs, "look", at, "", 40) is { Length: > 0 } id ? new(id, null) : FrameStyleChoice.None;
        var reading = new FrameStyleReading(
            null,
            "A look is the id of one of the site's, or written out with line, corners, padding, background and shadow."
        );
        try
        {
            if (look.ValueKind == JsonValueKind.Object)
                reading = look.Deserialize<FrameStyleValues>(ValuesJson.Options)!.Read();
        }
        catch (JsonException)
        {
            // Said below, as of any look that cannot be read.
        }
        if (reading.Look is not null)
            return new(null, reading.Look);
        Refuse(at + "look", reading.Sentence!);
        return FrameStyleChoice.None;
    }

    private AspectRatio? Shape(JsonElement attrs, string at)
    {
        var text = Text(attrs, "shape", at, "", 20);
        if (text.Length == 0 || text == AsIs)
            return null;
        if (AspectRatio.TryParse(text, out var ratio) && ratio.MayBeChosen())
            return ratio;
        Refuse(at + "shape", "A shape is written 3:2, between 1:20 and 20:1; empty is as is.");
        return null;
    }

    private DrawnCut? Drawn(JsonElement attrs, string at)
    {
        if (!attrs.TryGetProperty("cut", out var box) || box.ValueKind == JsonValueKind.Null)
            return null;
        if (box.ValueKind == JsonValueKind.Object)
        {
            var sides = new[] { "x", "y", "width", "height" }
                .Select(name =>
                    box.TryGetProperty(name, out var v) && v.ValueKind == JsonValueKind.Number ? v.GetDouble() : -1
                )
                .ToArray();
            if (
                sides is [>= 0 and < 1, >= 0 and < 1, >= MinDrawn and <= 1, >= MinDrawn and <= 1]
                && sides[0] + sides[2] <= 1.000001
                && sides[1] + sides[3] <= 1.000001
            )
                return new DrawnCut(
                    Text(box, "of", at + "cut.", "", 64),
                    new FocalRegion(
                        sides[0],
                        sides[1],
                        Math.Min(sides[2], 1 - sides[0]),
                        Math.Min(sides[3], 1 - sides[1])
                    )
                );
        }
        Refuse(
            at + "cut",
            "A cut drawn by hand is x, y, width and height in fractions of the picture, and lies inside it."
        );
        return null;
    }

    private PerClass<FigureException?> Exceptions(JsonElement attrs, string at, AspectRatio? shape)
    {
        if (!attrs.TryGetProperty("at", out var all) || all.ValueKind == JsonValueKind.Null)
            return default;
        if (
            all.ValueKind != JsonValueKind.Object
            || all.EnumerateObject().Any(one => !WidthClasses.All.Any(c => one.NameEquals(DocumentWriter.Written(c))))
        )
        {
            Refuse(at + "at", "Exceptions are given for phone, tablet and desktop, each an object.");
            return default;
        }
        var exceptions = default(PerClass<FigureException?>).Select(
            (c, _) =>
                all.TryGetProperty(DocumentWriter.Written(c), out var own) && own.ValueKind == JsonValueKind.Object
                    ? Exception(own, $"{at}at.{DocumentWriter.Written(c)}.", shape)
                    : null
        );
        if (!WidthClasses.All.All(c => exceptions[c]?.Hidden ?? false))
            return exceptions;
        Refuse(at + "at", "A picture is not hidden at every width: take it out instead.");
        return default;
    }

    /// <returns>Null for one that changes nothing.</returns>
    private FigureException? Exception(JsonElement own, string at, AspectRatio? shape)
    {
        var asset = Text(own, "asset", at, "", 64);
        var cutsAnew = own.TryGetProperty("shape", out var given) && given.ValueKind != JsonValueKind.Null;
        var drawn = Drawn(own, at);
        var exception = new FigureException(
            Flag(own, "hidden", at),
            asset.Length > 0 ? asset : null,
            !_inCell && Has(own, "size") ? Size(own, at) : null,
            Has(own, "side") ? Choice(own, "side", at, HorizontalAlign.Centre) : null,
            Has(own, "beside") ? Flag(own, "beside", at) : null,
            cutsAnew || drawn is not null ? new CutChoice(cutsAnew ? Shape(own, at) : shape, drawn) : null
        );
        return exception == FigureException.None ? null : exception;

        static bool Has(JsonElement own, string name) =>
            own.TryGetProperty(name, out var value) && value.ValueKind != JsonValueKind.Null;
    }

    private FigureSize Size(JsonElement attrs, string at)
    {
        if (_inCell)
            return new FigureSize.OfCell();
        if (attrs.TryGetProperty("size", out var size) && size.ValueKind == JsonValueKind.Number)
        {
            if (size.TryGetInt32(out var px) && px is >= FigureSize.ByPx.Min and <= FigureSize.ByPx.Max)
                return new FigureSize.ByPx(px);
            Refuse(at + "size", $"A size in px is a whole number from {FigureSize.ByPx.Min} to {FigureSize.ByPx.Max}.");
        }
        // Moved out of a cell, a picture takes the column.
        if (size.ValueKind == JsonValueKind.String && size.ValueEquals(CellSize))
            return new FigureSize.ByRole(SizeRole.Column);
        return new FigureSize.ByRole(
            size.ValueKind == JsonValueKind.Number ? SizeRole.Column : Choice(attrs, "size", at, SizeRole.Column)
        );
    }

    private ImmutableArray<Inline> Inlines(JsonElement parent, string path)
    {
        var inlines = new List<Inline>();
        foreach (var (node, at) in Children(parent, path))
        {
            switch (Type(node))
            {
                case "text":
                    var text =
                        node.TryGetProperty("text", out var t) && t.ValueKind == JsonValueKind.String
                            ? t.GetString()!
                            : "";
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
                    if (InLine(node, at) is { } picture)
                        inlines.Add(picture);
                    break;
                default:
                    Refuse(at, $"“{Type(node)}” cannot stand inside a line.");
                    break;
            }
        }
        return Whitespace.Collapse(inlines);
    }

    private TextRun Marked(TextRun run, JsonElement node, string path)
    {
        if (!node.TryGetProperty("marks", out var marks) || marks.ValueKind != JsonValueKind.Array)
            return run;
        var i = 0;
        foreach (var mark in marks.EnumerateArray())
        {
            var at = $"{path}.marks[{i++}]";
            switch (Type(mark))
            {
                case "bold":
                    run = run with { Bold = true };
                    break;
                case "italic":
                    run = run with { Italic = true };
                    break;
                case "link" when mark.TryGetProperty("attrs", out var attrs) && attrs.ValueKind == JsonValueKind.Object:
                    run = run with { Link = Text(attrs, "href", at + ".attrs.", "", 2000) };
                    break;
                default:
                    Refuse(at, $"Words cannot be marked “{Type(mark)}” here.");
                    break;
            }
        }
        return run;
    }

    private int Level(JsonElement node, string path)
    {
        if (
            node.TryGetProperty("attrs", out var attrs)
            && attrs.ValueKind == JsonValueKind.Object
            && attrs.TryGetProperty("level", out var level)
            && level.ValueKind == JsonValueKind.Number
            && level.TryGetInt32(out var n)
            && n is >= 2 and <= 4
        )
            return n;
        Refuse(path + ".attrs.level", "A heading's level is 2, 3 or 4; the page's title is the first.");
        return 2;
    }

    /// <summary>
    /// Ids that are missing, strange or taken are made anew, from a counter: the same JSON reads the same twice.
    /// </summary>
    private string Id(JsonElement node)
    {
        if (
            node.TryGetProperty("attrs", out var attrs)
            && attrs.ValueKind == JsonValueKind.Object
            && attrs.TryGetProperty("id", out var id)
            && id.ValueKind == JsonValueKind.String
            && id.GetString() is { Length: > 0 and <= 40 } text
            && text.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_')
            && _ids.Add(text)
        )
            return text;
        string made;
        do made = $"n{++_made}";
        while (!_ids.Add(made));
        return made;
    }

    private IEnumerable<(JsonElement Node, string Path)> Children(JsonElement parent, string path)
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
            var path1 = $"{at}[{i++}]";
            if (node.ValueKind == JsonValueKind.Object)
                yield return (node, path1);
            else
                Refuse(path1, "Each piece is an object with a type.");
        }
    }

    private string Text(JsonElement attrs, string name, string at, string otherwise, int most) =>
        OptionalText(attrs, name, at, most) ?? otherwise;

    private string? OptionalText(JsonElement attrs, string name, string at, int most)
    {
        if (!attrs.TryGetProperty(name, out var value) || value.ValueKind == JsonValueKind.Null)
            return null;
        if (value.ValueKind != JsonValueKind.String)
            Refuse(at + name, "This is a text.");
        else if (value.GetString()!.Length > most)
            Refuse(at + name, $"This text is longer than {most} characters: shorten it.");
        else
            return value.GetString()!.Trim();
        return null;
    }

    private bool Flag(JsonElement attrs, string name, string at)
    {
        if (!attrs.TryGetProperty(name, out var value) || value.ValueKind is JsonValueKind.Null or JsonValueKind.False)
            return false;
        if (value.ValueKind != JsonValueKind.True)
            Refuse(at + name, "This is true or false.");
        return true;
    }

    private T Choice<T>(JsonElement attrs, string name, string at, T otherwise)
        where T : struct, Enum
    {
        var text = Text(attrs, name, at, "", 40);
        if (text.Length == 0)
            return otherwise;
        foreach (var value in Enum.GetValues<T>())
        {
            if (DocumentWriter.Written(value) == text)
                return value;
        }
        Refuse(
            at + name,
            $"“{text}” is not one of {string.Join(", ", Enum.GetValues<T>().Select(DocumentWriter.Written))}."
        );
        return otherwise;
    }

    private void Refuse(string path, string sentence)
    {
        if (_errors.Count < MaxErrors)
            _errors.Add(new(path, sentence));
    }

    private static string Type(JsonElement node) =>
        node.ValueKind == JsonValueKind.Object
        && node.TryGetProperty("type", out var type)
        && type.ValueKind == JsonValueKind.String
            ? type.GetString()!
            : "";
}
