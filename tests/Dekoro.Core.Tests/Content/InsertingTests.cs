using System.Collections.Immutable;
using CsCheck;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;

namespace Dekoro.Core.Tests.Content;

public sealed class InsertingTests
{
    private static readonly Gen<Block> Leaf = Gen.Select(Gen.Int[0, 9], Gen.OneOfConst("a", "b", "c"), (id, asset) =>
        id % 2 == 0
            ? (Block)new ParagraphBlock($"p{id}", [new TextRun($"Words {id}")])
            : new FigureBlock(
                $"f{id}",
                asset,
                new FigureSize.ByRole(SizeRole.Column),
                HorizontalAlign.Centre,
                false,
                CutChoice.AsIs,
                new(false, null),
                new(CaptionSource.None)
            )
    );

    private static readonly Gen<Document> Pieces = Gen.OneOf(
            Leaf,
            Leaf.Array[1, 3].Select(b => (Block)new QuoteBlock("q", [.. b])),
            Leaf.Array[0, 2]
                .Array[1, 3]
                .Select(cells =>
                    (Block)
                        new ColumnsBlock(
                            "c",
                            3,
                            Extent.Wide,
                            default,
                            HorizontalAlign.Left,
                            VerticalAlign.Top,
                            [.. cells.Select((c, i) => new CellBlock($"cell{i}", Backdrop.None, [.. c]))]
                        )
                ),
            Leaf.Array[0, 3]
                .Select(blocks =>
                    (Block)
                        new BandBlock("d", Backdrop.None, default, HorizontalAlign.Left, VerticalAlign.Top, [.. blocks])
                ),
            Leaf.Array[1, 2]
                .Array[1, 3]
                .Select(items => (Block)new ListBlock("l", true, [.. items.Select(i => i.ToImmutableArray())]))
        )
        .Array[0, 6]
        .Select(blocks => new Document([.. blocks]));

    [Fact]
    public void What_comes_in_stands_whole_after_its_piece_and_nothing_else_moves() =>
        Gen.Select(Pieces, Pieces, Gen.Int[-1, 6])
            .Sample(
                (page, pieces, at) =>
                {
                    page = new([.. page.Blocks.Select((b, i) => b with { Id = $"own{i}" })]);
                    var after = at >= 0 && at < page.Blocks.Length ? page.Blocks[at].Id : null;
                    var next = 0;
                    var whole = Inserting.Into(page, after, pieces, () => $"new{next++}");
                    var where = after is null ? page.Blocks.Length : at + 1;
                    Assert.Equal(page.Blocks, whole.Blocks.RemoveRange(where, pieces.Blocks.Length));
                    Assert.Equal(
                        pieces.Blocks.Select(b => b.ToPlainText()),
                        whole.Blocks.Skip(where).Take(pieces.Blocks.Length).Select(b => b.ToPlainText())
                    );
                    var ids = whole.Blocks.SelectMany(AllIds).ToList();
                    Assert.All(whole.Blocks.Skip(where).Take(pieces.Blocks.Length).SelectMany(AllIds), id =>
                        Assert.StartsWith("new", id, StringComparison.Ordinal)
                    );
                    Assert.Equal(next, ids.Count(id => id.StartsWith("new", StringComparison.Ordinal)));
                }
            );

    [Fact]
    public void A_picture_that_stays_out_takes_only_its_own_place_with_it() =>
        Pieces.Sample(pieces =>
        {
            var left = Inserting.WithPictures(pieces, asset => asset == "b" ? null : asset.ToUpperInvariant());
            Assert.Equal(
                pieces.Blocks.Where(b => b is not FigureBlock { AssetId: "b" }).Select(b => b.Id),
                left.Blocks.Select(b => b.Id)
            );
            Assert.All(left.Figures, f => Assert.Contains(f.AssetId, new[] { "A", "C" }));
            Assert.Equal(
                pieces.Figures.Where(f => f.AssetId != "b").Select(f => f.AssetId.ToUpperInvariant()),
                left.Figures.Select(f => f.AssetId)
            );
            Assert.Equal(left.Figures, Inserting.WithPictures(left, asset => asset).Figures);
            Assert.Equal(
                pieces.Blocks.Select(b => b.ToPlainText()).Where(t => t.Length > 0),
                left.Blocks.Select(b => b.ToPlainText()).Where(t => t.Length > 0)
            );
        });

    [Fact]
    public void Plain_words_keep_their_lines_and_the_numbers_of_a_list()
    {
        ImmutableArray<Inline> lines = [new TextRun("one", Bold: true), new LineBreak(), new TextRun("two")];
        Assert.Equal("one\ntwo", new ParagraphBlock("p", lines).ToPlainText());
        Assert.Equal(
            "1. one\ntwo\n2. three",
            new ListBlock(
                "l",
                true,
                [
                    [new ParagraphBlock("a", lines)],
                    [new HeadingBlock("b", 2, [new TextRun("three")])],
                ]
            ).ToPlainText()
        );
        Assert.Equal(
            "• one\ntwo",
            new ListBlock(
                "l",
                false,
                [
                    [new ParagraphBlock("a", lines)],
                ]
            ).ToPlainText()
        );
        Assert.Equal("", new RuleBlock("r").ToPlainText());
    }

    [Fact]
    public void The_words_beside_a_picture_are_those_after_it_else_those_before_and_end_at_a_word()
    {
        static Block Figure(string id) =>
            new FigureBlock(
                id,
                "a",
                new FigureSize.ByRole(SizeRole.Half),
                HorizontalAlign.Left,
                true,
                CutChoice.AsIs,
                new(false, null),
                new(CaptionSource.None)
            );
        static Block Text(string id, string words) => new ParagraphBlock(id, [new TextRun(words)]);
        var page = new Document([
            Text("p1", "Before it."),
            Figure("f1"),
            Text("p2", "After it."),
            Figure("f2"),
            Figure("f3"),
            Text("p3", string.Join(' ', Enumerable.Repeat("lantern", 60))),
        ]);
        Assert.Equal(
            ("After it.", "After it.", ""),
            (PlainText.Beside(page, "f1"), PlainText.Beside(page, "f2"), PlainText.Beside(page, "gone"))
        );
        var cut = PlainText.Beside(page, "f3");
        Assert.InRange(cut.Length, 100, 160);
        Assert.EndsWith("lantern…", cut, StringComparison.Ordinal);
        Assert.Equal("", PlainText.Beside(new Document([Figure("f1")]), "f1"));
        // In a cell only the cell's own words stand beside it.
        var cells = new ColumnsBlock(
            "c",
            2,
            Extent.Column,
            default,
            HorizontalAlign.Left,
            VerticalAlign.Top,
            [
                new("a", Backdrop.None, [Figure("f4"), Text("p4", "In its cell.")]),
                new("b", Backdrop.None, [Figure("f5")]),
            ]
        );
        var among = new Document([Text("p5", "Above."), cells, Text("p6", "Below.")]);
        Assert.Equal(("In its cell.", ""), (PlainText.Beside(among, "f4"), PlainText.Beside(among, "f5")));
        Assert.Equal("In its cell.", cells.ToPlainText().Trim());
    }

    [Fact]
    public void Every_link_of_a_page_is_found_wherever_it_stands()
    {
        ImmutableArray<Inline> Linked(string to) => [new TextRun("a"), new TextRun("here", Link: to), new LineBreak()];
        static Block Figure(string id, LinkChoice link) =>
            new FigureBlock(
                id,
                "a",
                new FigureSize.ByRole(SizeRole.Half),
                HorizontalAlign.Left,
                true,
                CutChoice.AsIs,
                new(false, null),
                new(CaptionSource.None)
            )
            {
                Link = link,
            };
        var page = new Document([
            new ParagraphBlock("p", Linked("one")),
            new HeadingBlock("h", 2, Linked("two")),
            new QuoteBlock(
                "q",
                [
                    new ListBlock(
                        "l",
                        false,
                        [
                            [new ParagraphBlock("i", Linked("three"))],
                        ]
                    ),
                ]
            ),
            Figure("f", new(FigureLinkKind.Address, "four")),
            Figure("g", new(FigureLinkKind.Page, "visit")),
            Figure("k", new(FigureLinkKind.LargeFile)),
            new RuleBlock("r"),
        ]);
        Assert.Equal(["one", "two", "three", "four", "page:visit"], TextRuns.LinksIn(page));
        Assert.Equal(
            ["i"],
            page.Blocks.SelectMany(TextRuns.In).Where(r => r.Run.Link == "three").Select(r => r.Block.Id)
        );
    }

    private static IEnumerable<string> AllIds(Block block) =>
        block switch
        {
            ListBlock l => l.Items.SelectMany(i => i.SelectMany(AllIds)).Prepend(l.Id),
            QuoteBlock q => q.Blocks.SelectMany(AllIds).Prepend(q.Id),
            BandBlock b => b.Blocks.SelectMany(AllIds).Prepend(b.Id),
            ColumnsBlock c => c.Cells.SelectMany(cell => cell.Blocks.SelectMany(AllIds).Prepend(cell.Id)).Prepend(c.Id),
            _ => [block.Id],
        };
}
