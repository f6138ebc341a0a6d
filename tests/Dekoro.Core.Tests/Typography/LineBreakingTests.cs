using System.Collections.Immutable;
using CsCheck;
using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Site;
using Dekoro.Core.Typography;

namespace Dekoro.Core.Tests.Typography;

public sealed class LineBreakingTests
{
    /// <summary>Every letter 10 px wide.</summary>
    private static readonly TextStyle Style = new(20, 1.5, 400, false, 0, 0);

    private static double[] Lines(string text, double widthPx, bool balanced = false) =>
        [.. LineBreaking.LinesOf([new TextRun(text)], widthPx, Style with { IsBalanced = balanced }, FaceFamily.Plain)];

    [Theory]
    [InlineData("one two three", 130, new[] { 130.0 })]
    [InlineData("one two three", 129, new[] { 70.0, 50.0 })]
    [InlineData("well-worn", 60, new[] { 50.0, 40.0 })]
    [InlineData("4-5 of -3", 30, new[] { 30.0, 20.0, 20.0 })]
    [InlineData("land—sea", 60, new[] { 50.0, 30.0 })]
    [InlineData("abcdefghij", 40, new[] { 40.0, 40.0, 20.0 })]
    [InlineData("", 40, new double[0])]
    public void Lines_end_at_spaces_and_after_hyphens_and_a_word_is_broken_only_where_it_must(
        string text,
        double width,
        double[] lines
    ) => Assert.Equal(lines, Lines(text, width));

    [Fact]
    public void A_break_ends_its_line_and_the_last_one_begins_none()
    {
        ImmutableArray<Inline> inlines = [new TextRun("one"), new LineBreak(), new TextRun("two"), new LineBreak()];
        Assert.Equal([30.0, 30.0], LineBreaking.LinesOf(inlines, 500, Style, FaceFamily.Plain));
    }

    [Fact]
    public void Marks_within_a_word_do_not_break_it()
    {
        ImmutableArray<Inline> inlines = [new TextRun("ab"), new TextRun("cd", Bold: true), new TextRun("ef gh")];
        Assert.Equal([60.0, 20.0], LineBreaking.LinesOf(inlines, 70, Style, FaceFamily.Plain));
    }

    [Fact]
    public void A_wider_measure_never_takes_more_lines_and_no_line_is_wider_than_it() =>
        Gen.Select(Gen.String[Gen.Char["abc -"], 0, 120], Gen.Double[30, 400], Gen.Double[0, 200])
            .Sample(
                (text, width, more) =>
                {
                    text = string.Join(' ', text.Split(' ', StringSplitOptions.RemoveEmptyEntries));
                    var narrow = Lines(text, width);
                    Assert.All(narrow, line => Assert.True(line <= width + 0.1));
                    Assert.True(Lines(text, width + more).Length <= narrow.Length);
                    // Balanced lines are as many, and the longest is no longer.
                    var balanced = Lines(text, width, balanced: true);
                    Assert.Equal(narrow.Length, balanced.Length);
                    if (narrow.Length > 0)
                        Assert.True(balanced.Max() <= narrow.Max() + 0.1);
                }
            );

    [Fact]
    public void Kerning_counts_between_letters_and_over_spaces_and_hyphens()
    {
        var cut = new FaceMetrics(
            0.75,
            0.25,
            "abn -".ToDictionary(c => c, _ => 0.5),
            new Dictionary<(char, char), double>
            {
                [('a', 'b')] = -0.1,
                [('b', ' ')] = -0.05,
                [(' ', 'a')] = -0.05,
                [('-', 'b')] = -0.1,
            }
        );
        var cuts = System.Collections.Frozen.FrozenDictionary.ToFrozenDictionary(
            new Dictionary<int, FaceMetrics> { [400] = cut }
        );
        double Width(string text) =>
            LineBreaking.LinesOf([new TextRun(text)], 500, Style, new FaceFamily(cuts, cuts)).Single();
        Assert.Equal(18, Width("ab"), 6);
        Assert.Equal(18 + 10 - 2 + 10, Width("ab a"), 6);
        Assert.Equal(28, Width("a-b"), 6);
    }

    [Fact]
    public void A_line_may_break_before_and_after_a_picture_in_it_and_a_space_beside_it_goes_with_the_break()
    {
        var picture = new LinePicture(LinePicture.Of("p", "kite", LineHeight.Line, new(true, null)));
        double[] Lines(double widthPx, params Inline[] inlines) =>
            [.. LineBreaking.LinesOf(inlines, widthPx, Style, FaceFamily.Plain, _ => 40)];
        var word = Lines(500, new TextRun("abcd"))[0];
        Assert.Equal([word + 40 + word], Lines(500, new TextRun("abcd"), picture, new TextRun("abcd")));
        Assert.Equal([word, 40, word], Lines(Math.Max(word, 40), new TextRun("abcd"), picture, new TextRun("abcd")));
        Assert.Equal([word, 40, word], Lines(Math.Max(word, 40), new TextRun("abcd "), picture, new TextRun(" abcd")));
    }
}
