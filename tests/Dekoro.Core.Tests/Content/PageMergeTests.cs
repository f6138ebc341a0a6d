using CsCheck;
using Dekoro.Core.Content;

namespace Dekoro.Core.Tests.Content;

public sealed class PageMergeTests
{
    private static ParagraphBlock Piece(string id, string text) => new(id, [new TextRun(text)]);

    private static PageText Page(IEnumerable<Block> blocks, string title = "Home") =>
        new(title, "", "", new Document([.. blocks]));

    private static string Shown(PageText page) =>
        string.Join(' ', page.Document.Blocks.Select(b => $"{b.Id}:{b.ToPlainText()}"));

    /// <summary>A change to the pieces of one side: some written anew, taken out, or put in.</summary>
    private static Block[] Changed(Block[] basis, int[] choices, string who, Func<int, bool> mine) =>
        [
            .. basis.SelectMany(
                (b, i) =>
                    !mine(i)
                        ? [b]
                        : (choices[i] % 4) switch
                        {
                            0 => new[] { b },
                            1 => [Piece(b.Id, who)],
                            2 => [],
                            _ => [b, Piece($"{who}{i}", $"new of {who}")],
                        }
            ),
        ];

    private static readonly Gen<(Block[] Basis, int[] A, int[] B)> Cases = Gen.Select(
        Gen.Int[1, 12],
        Gen.Int[0, 99].Array[12],
        Gen.Int[0, 99].Array[12],
        (n, a, b) => (Enumerable.Range(0, n).Select(i => (Block)Piece($"p{i}", $"words {i}")).ToArray(), a, b)
    );

    [Fact]
    public void Where_each_changed_other_pieces_both_changes_stand_whole_and_in_their_places() =>
        Cases.Sample(
            (basis, a, b) =>
            {
                var (theirs, yours) = (
                    Changed(basis, a, "them", i => i % 2 == 0),
                    Changed(basis, b, "me", i => i % 2 == 1)
                );
                var merge = PageMerge.Of(Page(basis), Page(theirs), Page(yours));
                Assert.Empty(merge.Clashes);
                Assert.Equal(Shown(merge.WithYours), Shown(merge.WithTheirs));
                // As if one had made both changes.
                var both = Changed(basis, [.. a.Select((c, i) => i % 2 == 0 ? c : b[i])], "x", _ => true);
                Assert.Equal(
                    both.Select(p => p.Id.Replace("x", "", StringComparison.Ordinal)).Order(),
                    merge
                        .WithYours.Document.Blocks.Select(p =>
                            p.Id.Replace("them", "", StringComparison.Ordinal)
                                .Replace("me", "", StringComparison.Ordinal)
                        )
                        .Order()
                );
                // The order of each side is kept.
                Assert.Equal(
                    theirs.Select(p => p.Id).Where(Has),
                    merge.WithYours.Document.Blocks.Select(p => p.Id).Where(id => theirs.Any(p => p.Id == id))
                );
                Assert.Equal(
                    yours.Select(p => p.Id).Where(Has),
                    merge.WithYours.Document.Blocks.Select(p => p.Id).Where(id => yours.Any(p => p.Id == id))
                );

                bool Has(string id) => merge.WithYours.Document.Blocks.Any(p => p.Id == id);
            }
        );

    [Fact]
    public void Whatever_both_did_nothing_of_either_is_lost_from_both_ways_together() =>
        Cases.Sample(
            (basis, a, b) =>
            {
                var (theirs, yours) = (Changed(basis, a, "them", _ => true), Changed(basis, b, "me", _ => true));
                var merge = PageMerge.Of(Page(basis), Page(theirs), Page(yours));
                var kept = merge
                    .WithYours.Document.Blocks.Concat(merge.WithTheirs.Document.Blocks)
                    .Select(p => (p.Id, p.ToPlainText()))
                    .ToHashSet();
                foreach (
                    var piece in theirs
                        .Concat(yours)
                        .Where(p => !basis.Any(b => b.Id == p.Id && b.ToPlainText() == p.ToPlainText()))
                )
                    Assert.Contains((piece.Id, piece.ToPlainText()), kept);
                foreach (var way in new[] { merge.WithYours, merge.WithTheirs })
                    Assert.Equal(way.Document.Blocks.Length, way.Document.Blocks.Select(p => p.Id).Distinct().Count());
                // It does not matter for what stands there who is told of the other.
                var turned = PageMerge.Of(Page(basis), Page(yours), Page(theirs));
                Assert.Equal(
                    merge.Clashes.Select(c => c.BlockId).Order(),
                    turned.Clashes.Select(c => c.BlockId).Order()
                );
            }
        );

    [Fact]
    public void A_piece_both_changed_is_shown_with_both_and_the_page_is_given_both_ways()
    {
        var basis = new Block[] { Piece("a", "old"), Piece("b", "still") };
        var merge = PageMerge.Of(
            Page(basis),
            Page([Piece("a", "theirs"), basis[1]], "Their title"),
            Page([Piece("a", "yours"), basis[1], Piece("c", "more")], "Your title")
        );
        Assert.Equal(
            [new(null, "Title", "Your title", "Their title"), new("a", "text", "yours", "theirs")],
            merge.Clashes
        );
        Assert.Equal(("Your title", "a:yours b:still c:more"), (merge.WithYours.Title, Shown(merge.WithYours)));
        Assert.Equal(("Their title", "a:theirs b:still c:more"), (merge.WithTheirs.Title, Shown(merge.WithTheirs)));
        // Taken out by one and changed by the other is such a piece too.
        var gone = PageMerge.Of(Page(basis), Page([basis[1]]), Page([Piece("a", "yours"), basis[1]]));
        Assert.Equal([new("a", "text", "yours", "")], gone.Clashes);
        Assert.Equal(("a:yours b:still", "b:still"), (Shown(gone.WithYours), Shown(gone.WithTheirs)));
    }

    [Fact]
    public void Pieces_that_one_moved_stand_where_they_were_moved()
    {
        Block[] basis = [Piece("a", "1"), Piece("b", "2"), Piece("c", "3")];
        var merge = PageMerge.Of(
            Page(basis),
            Page([basis[0], Piece("b", "theirs"), basis[2], Piece("d", "new")]),
            Page([basis[2], basis[0], basis[1]])
        );
        Assert.Empty(merge.Clashes);
        Assert.Equal("c:3 d:new a:1 b:theirs", Shown(merge.WithYours));
    }
}
