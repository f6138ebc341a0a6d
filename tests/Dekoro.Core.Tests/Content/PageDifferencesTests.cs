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
    public void A_piece_that_stands_for_another_of_its_kind_was_written_anew()
    {
        Assert.Equal(
            ["Text “New.” was written anew."],
            Between(Page("D", Sample.Text("a", "Old.")), Page("D", Sample.Text("z", "New.")))
        );
    }
}
