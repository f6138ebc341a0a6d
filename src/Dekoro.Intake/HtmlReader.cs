using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Dekoro.Core.Content;
using Dekoro.Core.Links;
using Dekoro.Core.Media;

namespace Dekoro.Intake;

/// <summary>
/// Reads a page's or mail's HTML into words and pictures in their order. Only what a page here can hold comes through:
/// scripts, styles, forms and whatever acts are never read, so nothing has to be cleaned away afterwards.
/// </summary>
public static class HtmlReader
{
    /// <summary>Longest HTML that is read, characters.</summary>
    public const int MaxCharacters = 8_000_000;

    /// <param name="html">As pasted or opened.</param>
    /// <param name="address">Where it stood, to resolve relative addresses; null where nobody knows.</param>
    /// <exception cref="UnreadableException">Longer than is read.</exception>
    public static Proposal Read(string html, Uri? address = null)
    {
        var pieces = new Pieces();
        var title = new HtmlWalk(pieces, address, _ => null).Read(html);
        return pieces.ToProposal(ProposalKind.WebPage, title, address?.Host ?? "", null);
    }
}

/// <summary>One walk through a parsed page, collecting pieces.</summary>
/// <param name="byContentId">A mail's own part by its Content-ID (RFC 2392); null where there is none.</param>
internal sealed class HtmlWalk(Pieces pieces, Uri? address, Func<string, FoundPicture?> byContentId)
{
    private const int MaxDepth = 200;

    private static readonly HashSet<string> Unread =
    [
        "script",
        "style",
        "template",
        "noscript",
        "head",
        "title",
        "meta",
        "link",
        "iframe",
        "object",
        "embed",
        "form",
        "input",
        "button",
        "select",
        "textarea",
        "canvas",
        "svg",
        "video",
        "audio",
        "map",
        "rp",
    ];

    /// <summary>What shows something on a page and cannot be taken as it stands there.</summary>
    private static readonly Dictionary<string, (string Name, string Sentence)> Shown = new()
    {
        ["svg"] = (
            "A drawing in the text",
            "Drawings written into a page are not taken from it: save it as an SVG file and add that."
        ),
        ["iframe"] = (
            "What stands in a frame",
            "It belongs to another page: put a video in by its address, or link to the page."
        ),
        ["video"] = ("A video", "Videos are not taken from a page: add the file, or put it in by its address."),
        ["audio"] = ("A sound", "Sounds are not taken from a page: add the file and link to it."),
    };
    private static readonly HashSet<string> InLine =
    [
        "a",
        "abbr",
        "acronym",
        "b",
        "bdi",
        "bdo",
        "big",
        "cite",
        "code",
        "data",
        "del",
        "dfn",
        "em",
        "font",
        "i",
        "ins",
        "kbd",
        "label",
        "mark",
        "q",
        "s",
        "samp",
        "small",
        "span",
        "strike",
        "strong",
        "sub",
        "sup",
        "time",
        "tt",
        "u",
        "var",
        "wbr",
        "img",
        "br",
        "picture",
        "source",
        "o:p",
        "ruby",
        "rb",
        "rt",
        "math",
        "mi",
        "mo",
        "mn",
        "mrow",
        "msup",
        "msub",
        "mtext",
    ];
    private static readonly SiteAddresses NoSite = new(new Dictionary<string, string>(), new HashSet<string>());

    private readonly List<Inline> _line = [];
    private int _topLevel = 2;
    private Html.Budget? _budget;

    /// <returns>The page's title; empty where it has none.</returns>
    public string Read(string html)
    {
        using var document = Parsed(html);
        var levels = document.QuerySelectorAll("h1,h2,h3,h4,h5,h6").Select(h => h.LocalName[1] - '0').ToList();
        _topLevel = levels.Count > 0 ? levels.Min() : 2;
        if (document.Body is { } body)
            Walk(body, new Marks(), 0);
        EndLine();
        return (document.Title ?? "").Trim();
    }

    private static readonly string[] PictureEndings =
    [
        ".jpg",
        ".jpeg",
        ".png",
        ".webp",
        ".avif",
        ".gif",
        ".svg",
        ".tif",
        ".tiff",
    ];

    /// <summary>
    /// The pictures of a gallery alone, those too that a script shows later: each as the large file it leads to, with
    /// its own words.
    /// </summary>
    /// <returns>The page's title; empty where it has none.</returns>
    public string ReadGallery(string html)
    {
        using var document = Parsed(html);
        foreach (var image in document.QuerySelectorAll("img").OfType<IHtmlImageElement>())
        {
            _budget!.Spend();
            // The widest element that holds no other picture is what a gallery shows as one.
            var one = (IElement)image;
            while (
                one.ParentElement is { LocalName: not ("body" or "ul" or "ol" or "html") } parent
                && parent.QuerySelectorAll("img").Length == 1
            )
                one = parent;
            var href = image.Closest("a[href]")?.GetAttribute("href");
            var isLarge =
                href is not null
                && PictureEndings.Any(ending =>
                    href.Split('?', '#')[0].EndsWith(ending, StringComparison.OrdinalIgnoreCase)
                );
            var words = one.QuerySelector("figcaption")?.TextContent ?? (one == image ? "" : one.TextContent);
            if (isLarge)
                image.SetAttribute("src", href!);
            if (isLarge)
                foreach (var other in new[] { "srcset", "data-srcset", "data-src", "data-original", "data-lazy-src" })
                    image.RemoveAttribute(other);
            Place(image, Cut(Flat(words)), href is null || isLarge ? null : LinkOf(href, words));
        }
        return (document.Title ?? "").Trim();
    }

    private IDocument Parsed(string html)
    {
        if (html.Length > HtmlReader.MaxCharacters)
            throw new UnreadableException(
                $"This text is longer than {HtmlReader.MaxCharacters / 1_000_000} million characters: take "
                    + "the part that is needed."
            );
        (var document, _budget) = Html.Parse(html);
        address =
            document.QuerySelector("base[href]") is IHtmlBaseElement b
            && Uri.TryCreate(b.GetAttribute("href"), UriKind.Absolute, out var given)
                ? given
                : address;
        return document;
    }

    private readonly record struct Marks(bool Bold, bool Italic, string? Link);

    private void Walk(INode parent, Marks marks, int depth)
    {
        if (depth > MaxDepth)
        {
            AddText(parent.TextContent, marks);
            return;
        }
        foreach (var node in parent.ChildNodes)
        {
            _budget?.Spend();
            if (node is IText text)
                AddText(text.Data, marks);
            else if (node is not IElement element || IsHidden(element))
                continue;
            else if (!Unread.Contains(element.LocalName))
                Element(element, marks, depth + 1);
            else if (Shown.TryGetValue(element.LocalName, out var shown) && !_withoutPictures)
                pieces.LeaveOut(shown.Name, shown.Sentence);
        }
    }

    private void Element(IElement element, Marks marks, int depth)
    {
        if (element.LocalName == "dialog" && !element.HasAttribute("open"))
            return;
        if (InWords(element, marks, depth) || OnItsOwn(element, marks, depth))
            return;
        var isInLine = InLine.Contains(element.LocalName);
        if (!isInLine)
            EndLine();
        Walk(element, Marked(element, marks), depth);
        if (!isInLine)
            EndLine();
    }

    /// <summary>What stands in a line of words, or makes some.</summary>
    private bool InWords(IElement element, Marks marks, int depth)
    {
        switch (element.LocalName)
        {
            case "pre":
                Preformatted(element, marks);
                return true;
            case "rt":
                // Above the word on a page, after it in a line.
                AddText($" ({Flat(element.TextContent)}) ", marks);
                return true;
            case "br":
                // Two in a row are how mail programs write a new paragraph.
                if (_line is [.., LineBreak])
                    EndLine();
                else if (_line.Count > 0)
                    _line.Add(new LineBreak());
                return true;
            case "td" or "th" when IsTableOfWords(element):
                if (_line.Count > 0)
                    _line.Add(new TextRun(" · "));
                Walk(element, marks, depth);
                return true;
            default:
                return false;
        }
    }

    private void Preformatted(IElement element, Marks marks)
    {
        EndLine();
        foreach (var line in element.TextContent.Trim('\n').Split('\n'))
        {
            if (_line.Count > 0)
                _line.Add(new LineBreak());
            AddText(line, marks);
        }
        EndLine();
    }

    /// <summary>What is a piece by itself.</summary>
    private bool OnItsOwn(IElement element, Marks marks, int depth)
    {
        switch (element.LocalName)
        {
            case "img":
                Picture((IHtmlImageElement)element, "");
                return true;
            case "hr":
                EndLine();
                pieces.Add(new RuleBlock(pieces.NewId()));
                return true;
            case "h1" or "h2" or "h3" or "h4" or "h5" or "h6":
                EndLine();
                Walk(element, marks, depth);
                EndLine(Math.Clamp(element.LocalName[1] - '0' - _topLevel + 2, 2, 4));
                return true;
            case "figure":
                Figure(element, marks, depth);
                return true;
            case "ul" or "ol":
                List(element, marks, depth);
                return true;
            case "blockquote":
                Nested(element, marks, depth, blocks => new QuoteBlock(pieces.NewId(), [.. blocks]));
                return true;
            default:
                return false;
        }
    }

    private Marks Marked(IElement element, Marks marks)
    {
        var style = element.GetAttribute("style") ?? "";
        return element.LocalName switch
        {
            "b" or "strong" => marks with { Bold = true },
            "i" or "em" or "cite" => marks with { Italic = true },
            "a" when element.GetAttribute("href") is { } href => marks with
            {
                Link = LinkOf(href, element.TextContent),
            },
            "span"
            or "font"
                when style.Contains("font-weight", StringComparison.OrdinalIgnoreCase)
                    && (
                        style.Contains("bold", StringComparison.OrdinalIgnoreCase)
                        || style.Contains("700", StringComparison.Ordinal)
                    ) => marks with
            {
                Bold = true,
            },
            "span" or "font" when style.Contains("font-style:italic", StringComparison.OrdinalIgnoreCase) => marks with
            {
                Italic = true,
            },
            _ => marks,
        };
    }

    private string? LinkOf(string href, string words)
    {
        // A relative address means something only where the page stood.
        var isOwnKind =
            href.TrimStart().StartsWith("tel:", StringComparison.OrdinalIgnoreCase)
            || href.TrimStart().StartsWith("mailto:", StringComparison.OrdinalIgnoreCase);
        var written =
            !isOwnKind && address is not null && Uri.TryCreate(address, href.Trim(), out var whole)
                ? whole.AbsoluteUri
                : href.Trim();
        if (written.StartsWith('#') || written.StartsWith("cid:", StringComparison.OrdinalIgnoreCase))
            return null;
        var reading = LinkReader.Read(written, NoSite);
        if (reading.Link is null)
            pieces.LeaveOut($"The link on “{Short(words)}”", reading.Error ?? "It leads nowhere.");
        return reading.Link?.Written;
    }

    private void AddText(string text, Marks marks)
    {
        if (text.Length > 0)
            _line.Add(new TextRun(text, marks.Bold, marks.Italic, marks.Link));
    }

    private void EndLine(int headingLevel = 0)
    {
        var inlines = Whitespace.Collapse(_line);
        _line.Clear();
        if (inlines.IsEmpty)
            return;
        pieces.Add(
            headingLevel > 0
                ? new HeadingBlock(pieces.NewId(), headingLevel, inlines)
                : new ParagraphBlock(pieces.NewId(), inlines)
        );
    }

    private void Figure(IElement figure, Marks marks, int depth)
    {
        EndLine();
        var caption = figure.QuerySelector("figcaption");
        if (figure.QuerySelectorAll("img").ToList() is not [var only])
        {
            Walk(figure, marks, depth);
            EndLine();
            return;
        }
        Picture((IHtmlImageElement)only, Cut(Flat(caption?.TextContent ?? "")));
    }

    /// <summary>A list holds words only; pictures in it follow the list.</summary>
    private void List(IElement list, Marks marks, int depth)
    {
        EndLine();
        if (IsAsDeepAsAPageGoes)
        {
            Walk(list, marks, depth);
            EndLine();
            return;
        }
        var (items, pictures) = (
            new List<System.Collections.Immutable.ImmutableArray<Block>>(),
            new List<IHtmlImageElement>()
        );
        foreach (var item in list.Children.Where(c => !IsHidden(c)))
        {
            var blocks = Apart(item, marks, depth, pictures);
            if (blocks.Count > 0)
                items.Add([.. blocks]);
        }
        if (items.Count > 0)
            pieces.Add(new ListBlock(pieces.NewId(), list.LocalName == "ol", [.. items]));
        foreach (var picture in pictures)
            Picture(picture, "");
    }

    private void Nested(IElement element, Marks marks, int depth, Func<List<Block>, Block> wrap)
    {
        EndLine();
        if (IsAsDeepAsAPageGoes)
        {
            Walk(element, marks, depth);
            EndLine();
            return;
        }
        var pictures = new List<IHtmlImageElement>();
        var blocks = Apart(element, marks, depth, pictures);
        if (blocks.Count > 0)
            pieces.Add(wrap(blocks));
        foreach (var picture in pictures)
            Picture(picture, "");
    }

    /// <summary>
    /// The pieces of an element by themselves: no pictures, and lists and quotes flattened to what fits inside.
    /// </summary>
    private List<Block> Apart(IElement element, Marks marks, int depth, List<IHtmlImageElement> pictures)
    {
        var inner = new Pieces();
        pictures.AddRange(element.QuerySelectorAll("img").OfType<IHtmlImageElement>());
        var walk = new HtmlWalk(inner, address, _ => null)
        {
            _topLevel = _topLevel,
            _withoutPictures = true,
            _inside = _inside + 1,
            _budget = _budget,
        };
        walk.Walk(element, marks, depth);
        walk.EndLine();
        var proposal = inner.ToProposal(ProposalKind.WebPage, "", "", null);
        foreach (var left in proposal.LeftOut)
            pieces.LeaveOut(left.Name, left.Sentence);
        return
        [
            .. proposal
                .Words.Blocks.Select(b => b is HeadingBlock h ? new ParagraphBlock(h.Id, h.Inlines) : b)
                .Select(b => b with { Id = pieces.NewId() }),
        ];
    }

    private bool _withoutPictures;

    /// <summary>In how many lists and quotes it stands.</summary>
    private int _inside;

    /// <summary>Words further in stand as paragraphs: one level is left for a band, one for a cell in it.</summary>
    private bool IsAsDeepAsAPageGoes => _inside >= DocumentReader.MaxDepth - 2;

    private void Picture(IHtmlImageElement image, string caption)
    {
        if (!_withoutPictures && !IsHidden(image))
            Place(image, caption, null);
    }

    private void Place(IHtmlImageElement image, string caption, string? link)
    {
        var source = SourceOf(image);
        var name = Cut(Flat(image.GetAttribute("alt") ?? image.GetAttribute("title") ?? ""));
        if (source.Length == 0)
            return;
        if (Length(image, "width") is <= 2 || Length(image, "height") is <= 2)
        {
            pieces.LeaveOut(
                name.Length > 0 ? name : "A picture of one pixel",
                "It cannot be seen: such pictures tell a sender who has read a mail, so it was neither "
                    + "fetched nor taken."
            );
            return;
        }
        if (Found(source, name) is not { } found)
            return;
        EndLine();
        pieces.Place(
            found with
            {
                Words = found.Words with { Alt = name.Length > 0 ? name : found.Words.Alt },
            },
            caption,
            link
        );
    }

    /// <summary>
    /// The best that the page names: the largest it offers, or what is fetched later where a small stand-in is written
    /// first.
    /// </summary>
    private static string SourceOf(IHtmlImageElement image)
    {
        var src = (image.GetAttribute("src") ?? "").Trim();
        var later = new[] { "data-src", "data-original", "data-lazy-src" }
            .Select(image.GetAttribute)
            .FirstOrDefault(one => !string.IsNullOrWhiteSpace(one));
        if (later is not null && (src.Length == 0 || src.StartsWith("data:", StringComparison.OrdinalIgnoreCase)))
            src = later.Trim();
        var offered = image.GetAttribute("srcset") ?? image.GetAttribute("data-srcset") ?? "";
        return offered.Contains("data:", StringComparison.OrdinalIgnoreCase)
            ? src
            : Candidates(offered)
                .Append((Address: src, Size: 1.0))
                .Where(c => c.Address.Length > 0)
                .MaxBy(c => c.Size)
                .Address
                ?? "";
    }

    /// <summary>Of a srcset attribute (HTML, 4.8.4.2.1), with widths and densities on scales of their own.</summary>
    private static IEnumerable<(string Address, double Size)> Candidates(string srcset) =>
        srcset
            .Split(", ", StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(one => one.TrimEnd(',').Split(' ', StringSplitOptions.RemoveEmptyEntries))
            .Where(parts => parts.Length > 0)
            .Select(parts =>
                (
                    parts[0],
                    parts.Length > 1
                    && double.TryParse(parts[1][..^1], System.Globalization.CultureInfo.InvariantCulture, out var size)
                        ? size
                        : 1
                )
            );

    private FoundPicture? Found(string source, string name)
    {
        var called = name.Length > 0 ? name : "A picture";
        if (source.StartsWith("cid:", StringComparison.OrdinalIgnoreCase))
        {
            if (byContentId(Uri.UnescapeDataString(source[4..])) is { } part)
                return part;
            pieces.LeaveOut(called, "The mail names this picture but does not bring it: ask the sender for the file.");
            return null;
        }
        if (source.StartsWith("data:", StringComparison.OrdinalIgnoreCase))
        {
            if (DataAddress.Read(source) is { } bytes)
                return new(
                    pieces.NewKey(),
                    "pasted",
                    new PictureMetadata(),
                    new PictureContent.AtHand(() => new MemoryStream(bytes, writable: false))
                );
            pieces.LeaveOut(
                called,
                "What stands in the text in its place is not a whole picture: copy the picture by itself and paste it."
            );
            return null;
        }
        if (
            !(
                address is null
                    ? Uri.TryCreate(source, UriKind.Absolute, out var whole)
                    : Uri.TryCreate(address, source, out whole)
            ) || whole.Scheme is not ("http" or "https")
        )
        {
            pieces.LeaveOut(
                called,
                source.StartsWith("file:", StringComparison.OrdinalIgnoreCase)
                    ? "It lies on the computer the text was copied from, which cannot be reached from here: add "
                        + "the file itself."
                    : $"Its address “{Short(source)}” says nothing about where the page stood: save the page "
                        + "with its pictures, or give the page's address."
            );
            return null;
        }
        return new(
            pieces.NewKey(),
            Uri.UnescapeDataString(whole.Segments[^1]),
            new PictureMetadata(Source: whole.AbsoluteUri),
            new PictureContent.Remote(whole)
        );
    }

    /// <summary>Tables lay out old mails; only cells without blocks of their own are words side by side.</summary>
    private static bool IsTableOfWords(IElement cell) =>
        cell.QuerySelector("table,p,div,img,ul,ol,h1,h2,h3,h4") is null;

    private static bool IsHidden(IElement element)
    {
        var style = (element.GetAttribute("style") ?? "").Replace(" ", "", StringComparison.Ordinal);
        return element.HasAttribute("hidden")
            || new[] { "display:none", "visibility:hidden", "font-size:0;", "font-size:0px" }.Any(one =>
                (style + ";").Contains(one, StringComparison.OrdinalIgnoreCase)
            );
    }

    private static int? Length(IElement element, string name) =>
        int.TryParse(element.GetAttribute(name)?.Replace("px", "", StringComparison.OrdinalIgnoreCase), out var px)
            ? px
            : null;

    private static string Flat(string text) =>
        string.Join(' ', text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));

    private static string Cut(string text) =>
        text.Length <= PictureMetadata.MaxChars ? text : text[..PictureMetadata.MaxChars];

    private static string Short(string text) => Flat(text) is { Length: > 60 } flat ? flat[..57] + "…" : Flat(text);
}
