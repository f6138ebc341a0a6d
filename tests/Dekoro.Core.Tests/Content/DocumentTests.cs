using System.Text.Json;
using CsCheck;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Tests.Content;

public sealed class DocumentTests
{
    private static readonly Gen<string> Ids = Gen.Int[0, 1_000_000].Select(n => $"b{n}");
    private static readonly Gen<string> Texts = Gen.String[Gen.Char["ab é—"], 1, 12]
        .Select(t =>
            "x"
            + t.Replace("  ", " ", StringComparison.Ordinal).Replace("  ", " ", StringComparison.Ordinal).TrimEnd()
            + "x"
        );

    private static readonly Gen<Inline> InLines = Gen.Select(
        Ids,
        Gen.Enum<LineHeight>(),
        Gen.Bool,
        (id, height, flag) =>
            (Inline)
                new LinePicture(
                    LinePicture.Of(id, "asset", height, new(flag, flag ? null : "own")),
                    flag ? "page:home" : null
                )
    );

    private static readonly Gen<Block> Paragraphs = Gen.Select(
        Ids,
        Texts,
        Gen.Bool,
        InLines.Array[0, 1],
        (id, text, bold, picture) => (Block)new ParagraphBlock(id, [.. picture, new TextRun(text, bold)])
    );

    private static readonly Gen<Block> Files = Gen.Select(Ids, Gen.Bool.Array[0, 3], (id, own) =>
        (Block)new FilesBlock(id, [.. own.Select((o, i) => new ListedFile($"file{i}", o ? "Programme" : null))])
    );

    /// <summary>Boxes in eighths, so that what is written reads as the same.</summary>
    private static readonly Gen<FocalRegion> Boxes = Gen.Select(
        Gen.Int[0, 3],
        Gen.Int[0, 3],
        Gen.Int[1, 4],
        Gen.Int[1, 4],
        (x, y, w, h) => new FocalRegion(x / 8.0, y / 8.0, w / 8.0, h / 8.0)
    );

    private static readonly Gen<CutChoice> Cuts = Gen.Select(Gen.Bool, Gen.Bool, Boxes, (shaped, drawn, box) =>
        new CutChoice(shaped ? AspectRatio.Of(3, 2) : null, drawn ? new("asset", box) : null)
    );

    private static readonly Gen<FigureException?> Exceptions = Gen.Select(
        Gen.Int[0, 63],
        Gen.Enum<SizeRole>(),
        Gen.Enum<HorizontalAlign>(),
        Cuts,
        (which, role, side, cut) =>
            which == 0
                ? null
                : new FigureException(
                    (which & 1) > 0,
                    (which & 2) > 0 ? "third" : null,
                    (which & 4) > 0 ? new FigureSize.ByRole(role) : null,
                    (which & 8) > 0 ? side : null,
                    (which & 16) > 0 ? side == HorizontalAlign.Left : null,
                    (which & 32) > 0 ? cut : null
                )
    );

    private static readonly Gen<Block> Figures = Gen.Select(
        Ids,
        Gen.Int[40, 4000],
        Gen.Enum<SizeRole>(),
        Gen.Enum<HorizontalAlign>(),
        Gen.Bool,
        Gen.Enum<CaptionSource>(),
        Gen.Select(Gen.Enum<FigureLinkKind>(), Cuts, Exceptions.Array[2]),
        (id, px, role, side, flag, caption, own) =>
            (Block)
                new FigureBlock(
                    id,
                    "asset",
                    flag ? new FigureSize.ByPx(px) : new FigureSize.ByRole(role),
                    side,
                    flag,
                    own.Item2,
                    new(flag, flag ? "own" : null),
                    new(caption, "words")
                )
                {
                    Link = new(own.Item1, "target"),
                    Exceptions = new(own.Item3[0], own.Item3[1], null),
                    Video = (px % 3) switch
                    {
                        0 => null,
                        1 => new VideoChoice.Own(
                            "film",
                            flag ? "words" : null,
                            flag,
                            side == HorizontalAlign.Left,
                            side == HorizontalAlign.Right
                        ),
                        _ => new VideoChoice.Hosted(
                            "https://videos.example/watch/1",
                            flag ? "/standins/video/player/1" : "https://player.example/1",
                            "Kites"
                        ),
                    },
                    FrameStyle = side switch
                    {
                        HorizontalAlign.Left => FrameStyleChoice.None,
                        HorizontalAlign.Centre => new("print", null),
                        _ => new(
                            null,
                            new(
                                LineStyle.Double,
                                px % 20,
                                Srgb.Parse("#143c58"),
                                new(px % 9, 0, 4, 999),
                                px % 40,
                                flag ? Srgb.White : null,
                                flag ? new Shadow(4, 12, 30) : null
                            )
                        ),
                    },
                }
    );

    private static readonly Gen<PerClass<int>> Each = Gen.Select(
        Gen.Int[0, 256],
        Gen.Int[0, 256],
        Gen.Int[0, 256],
        (p, t, d) => new PerClass<int>(p, t, d)
    );

    private static readonly Gen<Backdrop> Grounds = Gen.Select(
        Gen.Bool,
        Gen.Bool,
        Gen.Enum<WordsTone>(),
        Each,
        (coloured, pictured, words, strength) =>
            new Backdrop(
                coloured ? Srgb.Parse("#143c58") : null,
                pictured ? "asset" : null,
                coloured,
                Srgb.White,
                strength,
                words
            )
    );

    private static readonly Gen<Block> Buttons = Gen.Select(
        Ids,
        Gen.Enum<ButtonKind>(),
        Gen.OneOfConst("page:home", "/visit"),
        (id, kind, link) => (Block)new ButtonBlock(id, "Come and see", link, kind)
    );

    private static readonly Gen<CellBlock> Cells = Gen.Select(
        Ids,
        Grounds,
        Gen.OneOf(Paragraphs, Figures, Buttons, Files).Array[0, 3],
        (id, ground, blocks) =>
            new CellBlock(
                id,
                ground,
                [
                    .. blocks.Select(b =>
                        b is FigureBlock f ? f with { Size = new FigureSize.OfCell(), Exceptions = default } : b
                    ),
                ]
            )
    );

    private static readonly Gen<Block> Columns = Gen.Select(
        Ids,
        Gen.Int[2, 6],
        Gen.Enum<Extent>(),
        Each,
        Gen.Enum<HorizontalAlign>(),
        Gen.Enum<VerticalAlign>(),
        Cells.Array[1, 6],
        (id, inRow, extent, least, across, down, cells) =>
            (Block)new ColumnsBlock(id, inRow, extent, least, across, down, [.. cells])
    );

    private static readonly Gen<Block> Bands = Gen.Select(
        Ids,
        Grounds,
        Each,
        Gen.Enum<HorizontalAlign>(),
        Gen.Enum<VerticalAlign>(),
        Gen.OneOf(Paragraphs, Figures, Columns, Buttons).Array[0, 3],
        (id, ground, least, across, down, blocks) => (Block)new BandBlock(id, ground, least, across, down, [.. blocks])
    );

    internal static readonly Gen<Document> Documents = Gen.OneOf(
            Paragraphs,
            Figures,
            Bands,
            Buttons,
            Files,
            Gen.Select(Ids, Texts, Gen.Int[2, 4], (id, text, level) =>
                (Block)new HeadingBlock(id, level, [new TextRun(text)])
            ),
            Gen.Select(Ids, Paragraphs.Array[1, 3], Gen.Bool, (id, items, ordered) =>
                (Block)
                    new ListBlock(
                        id,
                        ordered,
                        [.. items.Select(i => System.Collections.Immutable.ImmutableArray.Create(i))]
                    )
            ),
            Gen.Select(Ids, Paragraphs.Array[1, 2], (id, blocks) => (Block)new QuoteBlock(id, [.. blocks])),
            Columns,
            Ids.Select(id => (Block)new RuleBlock(id))
        )
        .Array[0, 8]
        .Select(blocks => new Document([.. blocks]));

    [Fact]
    public void What_is_written_reads_back_and_writes_the_same() =>
        Documents.Sample(document =>
        {
            var reading = Read(DocumentWriter.Write(document).ToJsonString());
            Assert.Empty(reading.Errors);
            var once = DocumentWriter.Write(reading.Document!).ToJsonString();
            Assert.Equal(document.Blocks.Select(b => b.GetType()), reading.Document!.Blocks.Select(b => b.GetType()));
            Assert.Equal(once, DocumentWriter.Write(Read(once).Document!).ToJsonString());
        });

    [Fact]
    public void A_swap_changes_the_named_figures_and_nothing_else_and_can_be_put_back() =>
        Documents.Sample(drawn =>
        {
            var document = Read(DocumentWriter.Write(drawn).ToJsonString()).Document!;
            var places = document.Figures.Where((_, i) => i % 2 == 0).ToDictionary(f => f.Id, f => (string?)null);
            var before = document.Figures.ToDictionary(f => f.Id, f => f.Alt.Own);
            var swapped = Swapping.Swap(document, "asset", "other", places);
            Assert.Equal(
                document.Figures.Select(f =>
                    places.ContainsKey(f.Id) ? f with { AssetId = "other", Alt = f.Alt with { Own = null } } : f
                ),
                swapped.Figures
            );
            foreach (
                var (was, now) in document
                    .Blocks.Zip(swapped.Blocks)
                    .Where(b =>
                        b.First is not (FigureBlock or ColumnsBlock or BandBlock)
                        && !new Document([b.First]).Figures.Any()
                    )
            )
                Assert.Same(was, now);
            var back = Swapping.Swap(swapped, "other", "asset", places.Keys.ToDictionary(id => id, id => before[id]));
            Assert.Equal(DocumentWriter.Write(document).ToJsonString(), DocumentWriter.Write(back).ToJsonString());
        });

    [Fact]
    public void Every_piece_has_an_id_of_its_own() =>
        Documents.Sample(document =>
        {
            var twice = new Document([.. document.Blocks, .. document.Blocks]);
            var read = Read(DocumentWriter.Write(twice).ToJsonString()).Document!;
            var inBands = read.Blocks.OfType<BandBlock>().SelectMany(b => b.Blocks).ToList();
            var cells = read.Blocks.Concat(inBands).OfType<ColumnsBlock>().SelectMany(c => c.Cells);
            var ids = read
                .Blocks.Concat(inBands)
                .Concat(cells)
                .Select(b => b.Id)
                .Concat(read.Figures.Where(f => f.Size is FigureSize.OfCell).Select(f => f.Id))
                .ToList();
            Assert.Equal(ids.Count, ids.Distinct().Count());
        });

    [Theory]
    [InlineData("""{"type":"band","content":[{"type":"band"}]}""", "content[0].content[0]", "not inside another piece")]
    [InlineData(
        """{"type":"blockquote","content":[{"type":"band"}]}""",
        "content[0].content[0]",
        "between pieces of the page"
    )]
    [InlineData("""{"type":"band","attrs":{"colour":"reddish"}}""", "content[0].attrs.colour", "#rrggbb")]
    [InlineData(
        """{"type":"band","attrs":{"tintStrength":[0,300,0]}}""",
        "content[0].attrs.tintStrength",
        "from 0 to 256"
    )]
    [InlineData(
        """{"type":"band","attrs":{"leastHeight":[1,2]}}""",
        "content[0].attrs.leastHeight",
        "phone, tablet and desktop"
    )]
    [InlineData("""{"type":"band","attrs":{"down":"under"}}""", "content[0].attrs.down", "top, middle, bottom")]
    public void A_band_that_cannot_be_is_refused_with_its_place_and_a_sentence(
        string json,
        string path,
        string sentence
    )
    {
        var error = Assert.Single(Read(Doc(json)).Errors);
        Assert.Equal(path, error.Path);
        Assert.Contains(sentence, error.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_band_without_anything_is_empty_and_one_with_a_ground_is_not()
    {
        var (empty, coloured) = (
            (BandBlock)Read(Doc("""{"type":"band"}""")).Document!.Blocks[0],
            (BandBlock)Read(Doc("""{"type":"band","attrs":{"colour":"#fff"}}""")).Document!.Blocks[0]
        );
        Assert.Equal((true, false), (empty.IsEmpty, coloured.IsEmpty));
        // Taken out of the library, the picture behind leaves the band and its words where they are.
        var held = new Document([coloured with { Backdrop = coloured.Backdrop with { AssetId = "a" } }]);
        Assert.Null(Assert.IsType<BandBlock>(held.WithFigures(_ => null).Blocks[0]).Behind);
    }

    [Fact]
    public void Spaces_a_browser_would_not_show_are_taken_out()
    {
        var p = (ParagraphBlock)
            Read(
                Doc(
                    """{"type":"paragraph","content":[{"type":"text","text":"  Kites \n  fly "},"""
                        + """{"type":"text","text":"  high ","marks":[{"type":"bold"}]}]}"""
                )
            ).Document!.Blocks[0];
        Assert.Equal([new TextRun("Kites fly "), new TextRun("high", Bold: true)], p.Inlines);
    }

    [Fact]
    public void Pieces_without_words_or_picture_go() =>
        Assert.Empty(
            Read(
                Doc(
                    """{"type":"paragraph"},{"type":"paragraph","content":[{"type":"text","text":"  "}]},"""
                        + """{"type":"bulletList","content":[{"type":"listItem","content":[{"type":"paragraph"}]}]}"""
                )
            ).Document!.Blocks
        );

    [Theory]
    [InlineData("""{"type":"iframe"}""", "content[0]")]
    [InlineData(
        """{"type":"paragraph"},{"type":"figure","attrs":{"asset":"a","size":"huge"}}""",
        "content[1].attrs.size"
    )]
    [InlineData("""{"type":"figure","attrs":{"asset":"a","size":20}}""", "content[0].attrs.size")]
    [InlineData("""{"type":"figure","attrs":{"asset":"a","shape":"16x9"}}""", "content[0].attrs.shape")]
    [InlineData("""{"type":"heading","attrs":{"level":1}}""", "content[0].attrs.level")]
    [InlineData(
        """{"type":"blockquote","content":[{"type":"figure","attrs":{"asset":"a"}}]}""",
        "content[0].content[0]"
    )]
    [InlineData("""{"type":"columns","attrs":{"inRow":7},"content":[{"type":"cell"}]}""", "content[0].attrs.inRow")]
    [InlineData("""{"type":"columns","attrs":{"inRow":2},"content":[]}""", "content[0]")]
    [InlineData("""{"type":"columns","attrs":{"inRow":2},"content":[{"type":"paragraph"}]}""", "content[0].content[0]")]
    [InlineData(
        """{"type":"columns","attrs":{"inRow":2}"""
            + ""","content":[{"type":"cell","content":[{"type":"columns","attrs":{"inRow":2}}]}]}""",
        "content[0].content[0].content[0]"
    )]
    [InlineData(
        """{"type":"columns","attrs":{"inRow":2}"""
            + ""","content":[{"type":"cell","content":[{"type":"blockquote","content":"""
            + """[{"type":"figure","attrs":{"asset":"a"}}]}]}]}""",
        "content[0].content[0].content[0].content[0]"
    )]
    [InlineData(
        """{"type":"paragraph","content":[{"type":"text","text":"a","marks":[{"type":"blink"}]}]}""",
        "content[0].content[0].marks[0]"
    )]
    public void What_is_not_known_is_refused_by_its_path(string content, string path)
    {
        var reading = Read(Doc(content));
        Assert.Null(reading.Document);
        Assert.Contains(reading.Errors, e => e.Path == path && e.Sentence.EndsWith('.'));
    }

    [Fact]
    public void A_picture_takes_the_column_where_it_was_moved_out_of_a_cell_and_the_cell_where_it_was_moved_in()
    {
        FigureSize SizeOf(string size, bool inCell)
        {
            var figure = "{\"type\":\"figure\",\"attrs\":{\"asset\":\"a\",\"size\":\"" + size + "\"}}";
            var piece = inCell
                ? "{\"type\":\"columns\",\"attrs\":{\"inRow\":2},\"content\":[{\"type\":\"cell\",\"content\":["
                    + figure
                    + "]}]}"
                : figure;
            return Assert.Single(Read("{\"type\":\"doc\",\"content\":[" + piece + "]}").Document!.Figures).Size;
        }
        Assert.Equal(new FigureSize.ByRole(SizeRole.Column), SizeOf("cell", false));
        Assert.Equal(new FigureSize.OfCell(), SizeOf("wide", true));
    }

    [Fact]
    public void Something_else_than_a_document_is_refused() => Assert.Null(Read("[]").Document);

    private static string Doc(string content) => $$"""{"type":"doc","content":[{{content}}]}""";

    private static DocumentReading Read(string json)
    {
        using var document = JsonDocument.Parse(json);
        return DocumentReader.Read(document.RootElement);
    }
}
