using CsCheck;
using Dekoro.Core.Media;

namespace Dekoro.Core.Tests.Media;

public sealed class LibraryQueryTests
{
    [Fact]
    public void A_line_is_words_and_filters()
    {
        var query = LibraryQuery.Read(
            "kite shape:Wide  unused folder:\"Lantern nights\" wider:1600px since:2026-05 dune"
        );
        Assert.Equal(["kite", "dune"], query.Words);
        Assert.Equal(
            [
                new(FilterKind.Shape, "wide"),
                new(FilterKind.Unused),
                new(FilterKind.Folder, "Lantern nights"),
                new(FilterKind.Wider, "1600"),
                new(FilterKind.Since, "2026-05"),
            ],
            query.Filters
        );
        Assert.Empty(query.NotUnderstood);
    }

    [Theory]
    [InlineData("shape:round")]
    [InlineData("wider:much")]
    [InlineData("since:yesterday")]
    [InlineData("until:2026-13")]
    [InlineData("type:docx")]
    [InlineData("type:3")]
    [InlineData("folder:")]
    public void What_looks_like_a_filter_and_is_none_is_said_and_the_rest_stands(string typed)
    {
        var query = LibraryQuery.Read("kite " + typed);
        Assert.EndsWith(".", Assert.Single(query.NotUnderstood), StringComparison.Ordinal);
        Assert.Equal(["kite"], query.Words);
        Assert.Empty(query.Filters);
    }

    [Theory]
    [InlineData("type:jpg", "type:jpeg")]
    [InlineData("taken-away", "removed")]
    [InlineData("type:.TIF", "type:tiff")]
    [InlineData("color:red", "colour:red")]
    public void Common_spellings_are_taken_for_what_they_mean(string typed, string written) =>
        Assert.Equal(written, LibraryQuery.Read(typed).Written);

    [Fact]
    public void A_word_with_a_colon_that_names_no_filter_is_a_word() =>
        Assert.Equal(["14:30", "https://example.org"], LibraryQuery.Read("14:30 https://example.org").Words);

    [Fact]
    public void What_is_written_reads_as_the_same_search_whatever_was_typed() =>
        Gen.OneOf(
                Gen.String,
                Gen.String[Gen.Char["ab \":-shapewidunolrfc.0129"], 0, 40],
                Gen.OneOfConst("folder:\"a b\" unused", "credit:ana \"x", "shape:tall tall")
            )
            .Sample(
                typed =>
                {
                    var once = LibraryQuery.Read(typed);
                    Assert.Equal(once.Filters, LibraryQuery.Read(once.Written).Filters);
                    Assert.Equal(once, LibraryQuery.Read(once.Written));
                },
                iter: 5000
            );

    [Fact]
    public void Turning_a_filter_twice_is_the_search_as_it_was() =>
        Gen.Select(
                Gen.String[Gen.Char["ab \":-unused"], 0, 30],
                Gen.OneOfConst(new LibraryFilter(FilterKind.Unused), new(FilterKind.Shape, "wide"))
            )
            .Sample(
                (typed, filter) =>
                {
                    var query = LibraryQuery.Read(typed);
                    var turned = LibraryQuery.Read(query.Turned(filter).Written);
                    Assert.NotEqual(query.Filters.Contains(filter), turned.Filters.Contains(filter));
                    Assert.Equal(query.Words, turned.Words);
                    Assert.Equal(query.Filters.ToHashSet(), turned.Turned(filter).Filters.ToHashSet());
                }
            );

    [Theory]
    [InlineData("since:2026", 2026, 1, 1)]
    [InlineData("until:2026", 2026, 12, 31)]
    [InlineData("until:2024-02", 2024, 2, 29)]
    [InlineData("since:2026-05-09", 2026, 5, 9)]
    public void A_year_or_a_month_stands_for_all_its_days(string typed, int year, int month, int day) =>
        Assert.Equal(new DateOnly(year, month, day), LibraryQuery.DateOf(LibraryQuery.Read(typed).Filters[0]));
}
