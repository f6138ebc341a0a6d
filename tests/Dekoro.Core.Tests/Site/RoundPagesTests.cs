using System.Globalization;
using CsCheck;
using Dekoro.Core.Publication;

namespace Dekoro.Core.Tests.Site;

public sealed class RoundPagesTests
{
    private static readonly Gen<MenuLine[]> Menus = Gen.Select(
            Gen.Int[0, 5],
            Gen.OneOfConst("Kites", "Visit"),
            Gen.OneOfConst("a", "b"),
            (id, title, path) => new MenuLine(id.ToString(CultureInfo.InvariantCulture), title, path, "")
        )
        .Array[0, 6]
        .Select(lines => lines.DistinctBy(l => l.PageId).ToArray());

    [Fact]
    public void What_stands_round_pages_is_told_to_change_exactly_where_visitors_would_see_another() =>
        Gen.Select(Menus, Menus)
            .Sample((before, now) => MenuChanges.Between(before, now).IsEmpty == before.SequenceEqual(now));

    [Fact]
    public void Posts_come_by_their_days_and_those_without_one_last_as_they_were()
    {
        var (march, june) = (new DateOnly(2026, 3, 9), new DateOnly(2026, 6, 1));
        Assert.Equal(
            ["c", "a", "d", "b", "e"],
            PostOrder.NewestFirst([("a", march), ("b", null), ("c", june), ("d", march), ("e", null)])
        );
    }

    [Fact]
    public void What_comes_goes_is_renamed_and_moves_is_said_in_words()
    {
        MenuLine Line(string id, string? title = null) => new(id, title ?? id, id, "");
        var before = new RoundPages([Line("Visit"), Line("Kites"), Line("Old")], []);
        var now = new RoundPages([Line("Kites", "Our kites"), Line("Visit"), Line("New")], [Line("Storm")]);
        Assert.Equal(
            [
                "The menu of every page changes: “New” comes; “Old” goes; “Kites” becomes “Our kites”; its order "
                    + "changes.",
                "The list of posts on the front page changes: “Storm” comes.",
            ],
            RoundPages.ChangesBetween(before, now)
        );
        Assert.Empty(RoundPages.ChangesBetween(now, now));
    }
}
