using CsCheck;
using Dekoro.Core.Content;
using Dekoro.Core.Tests.Planning;

namespace Dekoro.Core.Tests.Content;

public sealed class PageDifferencesTests
{
    private static PageText Page(string title, params Block[] blocks) => new(title, "p", "", new([.. blocks]));

    private static IEnumerable<string> Between(PageText then, PageText now) =>
        PageDifferences.Between(then, now, id => id == "kite" ? "Box kite" : "");

    [Fact]
    public void What_came_went_and_was_changed_is_said_by_its_words_and_the_same_page_is_no_other()
    {
        var then = Page("Days", Sample.Text("a", "First words."), Sample.Text("b", "Second."), Sample.Figure("f"));
        Assert.Empty(Between(then, then));
        Assert.Equal(
            ["Its title was “Days” and is “Flying days”.", "Text “Second.” went.", "Text “Other words.” was changed."],
            Between(then, Page("Flying days", Sample.Text("a", "Other words."), Sample.Figure("f")))
        );
        Assert.Equal(
            ["Pieces stand in another order."],
            Between(
                then,
                Page("Days", Sample.Figure("f"), Sample.Text("a", "First words."), Sample.Text("b", "Second."))
            )
        );
        Assert.Equal(["A picture “Box kite” came."], Between(Page("D"), Page("D", Sample.Figure("f"))));
    }

    [Fact]
    public void Whatever_is_written_otherwise_is_told_and_nothing_else() =>
        Gen.Select(DocumentTests.Documents, DocumentTests.Documents, Gen.Int)
            .Where((one, other, _) => HasNames(new([.. one.Blocks, .. other.Blocks])))
            .Sample(
                (one, more, seed) =>
                {
                    // Some of both, in another order: much stays, something comes, goes or moves.
                    var random = new Random(seed);
                    var all = one.Blocks.Concat(more.Blocks).Where(_ => random.Next(4) > 0);
                    var other = new Document([.. random.Next(2) == 0 ? all : all.OrderBy(_ => random.Next())]);
                    static string Written(Document document) => DocumentWriter.Write(document).ToJsonString();
                    var (then, now) = (new PageText("D", "p", "", one), new PageText("D", "p", "", other));
                    Assert.Empty(Between(then, new("D", "p", "", one)));
                    Assert.Equal(Written(one) != Written(other), Between(then, now).Any());
                }
            );

    /// <summary>Each piece has one of its own, as the reader of documents sees to.</summary>
    private static bool HasNames(Document document) =>
        Walk.Over(document.Blocks).Select(b => b.Id).ToList() is var ids && ids.Distinct().Count() == ids.Count;

    [Fact]
    public void A_piece_that_stands_for_another_of_its_kind_was_written_anew()
    {
        Assert.Equal(
            ["Text “New.” was written anew."],
            Between(Page("D", Sample.Text("a", "Old.")), Page("D", Sample.Text("z", "New.")))
        );
    }
}
