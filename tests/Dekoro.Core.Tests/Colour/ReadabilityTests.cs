using System.Collections.Immutable;
using CsCheck;
using Dekoro.Core.Colour;

namespace Dekoro.Core.Tests.Colour;

public sealed class ReadabilityTests
{
    private static readonly Gen<Srgb> Colours = Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte, (r, g, b) =>
        new Srgb(r, g, b)
    );

    private static readonly Gen<WordsGround> Grounds = Gen.Select(
        Gen.OneOfConst(3.0, 4.5),
        Colours.Array[1, 40],
        (needed, squares) =>
            new WordsGround(needed, [.. squares.SelectMany(c => Enumerable.Repeat(c, Readability.Parts))])
    );

    [Theory]
    [InlineData("#000000", "#ffffff", 21)]
    [InlineData("#777777", "#ffffff", 4.48)]
    [InlineData("#0000ff", "#ffffff", 8.59)]
    [InlineData("#fff", "#FFFFFF", 1)]
    public void Contrast_is_that_of_the_standard_whichever_lies_above(string one, string other, double ratio)
    {
        Assert.Equal(ratio, Srgb.Parse(one).ContrastWith(Srgb.Parse(other)), 2);
        Assert.Equal(ratio, Srgb.Parse(other).ContrastWith(Srgb.Parse(one)), 2);
    }

    [Theory]
    [InlineData("red")]
    [InlineData("#12345")]
    [InlineData("#gg0000")]
    [InlineData("#-12345")]
    [InlineData("")]
    public void What_is_no_colour_is_not_taken_for_one(string text) => Assert.False(Srgb.TryParse(text, out _));

    [Fact]
    public void A_colour_reads_back_as_it_is_written() =>
        Colours.Sample(colour => Srgb.Parse(colour.ToString()) == colour);

    [Fact]
    public void A_tint_of_none_changes_nothing_and_a_whole_one_hides_all() =>
        Gen.Select(Colours, Colours)
            .Sample((tint, below) => tint.Over(below, 0) == below && tint.Over(below, 1) == tint);

    [Fact]
    public void From_the_least_tint_on_words_are_readable_and_one_step_below_they_are_not() =>
        Gen.Select(Grounds.Array[1, 3], Colours, Colours)
            .Sample(
                (grounds, words, tint) =>
                {
                    var least = Readability.LeastTint(grounds, words, tint);
                    var enough = Enumerable
                        .Range(0, Readability.MaxStrength + 1)
                        .Select(s => grounds.All(g => IsEnough(g, words, tint, s)))
                        .ToArray();
                    if (least is not { } from)
                    {
                        Assert.False(enough[^1]);
                        return;
                    }
                    Assert.All(enough[from..], Assert.True);
                    if (from > 0)
                        Assert.False(enough[from - 1]);
                }
            );

    private static bool IsEnough(WordsGround ground, Srgb words, Srgb tint, int strength) =>
        Readability.Of([ground], words, tint, strength) is not { } contrast
        || contrast.Ratio >= contrast.Needed + Readability.TintMargin;

    [Fact]
    public void The_worst_twentieth_of_what_lies_below_does_not_count_and_more_does()
    {
        static WordsGround Ground(int bad) =>
            new(
                4.5,
                [
                    .. Enumerable
                        .Range(0, 100)
                        .SelectMany(i => Enumerable.Repeat(i < bad ? Srgb.White : Srgb.Black, Readability.Parts)),
                ]
            );
        Assert.Equal(21, Readability.Of([Ground(5)], Srgb.White, Srgb.Black, 0)!.Value.Ratio, 6);
        Assert.Equal(1, Readability.Of([Ground(6)], Srgb.White, Srgb.Black, 0)!.Value.Ratio, 6);
        Assert.Null(Readability.Of([], Srgb.White, Srgb.Black, 0));
    }

    [Fact]
    public void Dark_words_on_a_dark_ground_lose_before_they_win()
    {
        var ground = new WordsGround(4.5, [.. Enumerable.Repeat(Srgb.Black, Readability.Parts)]);
        var words = Srgb.Parse("#505050");
        double At(int strength) => Readability.Of([ground], words, Srgb.White, strength)!.Value.Ratio;
        Assert.True(At(80) < At(0), "Lighter, the ground comes near the words first.");
        Assert.True(At(200) > 4.5);
        var least = Readability.LeastTint([ground], words, Srgb.White)!.Value;
        Assert.InRange(least, 120, 200);
    }

    [Fact]
    public void A_grid_answers_with_the_mean_of_any_part_in_linear_light()
    {
        // Left half white, right half black and half see-through.
        var grid = new ColourGrid(2, 1, [255, 255, 255, 255, 0, 0, 0, 128]);
        Assert.Equal(Srgb.White, grid.MeanOf(0, 0, 0.5, 1, Srgb.Black));
        Assert.Equal(Srgb.Parse("#7f7f7f"), grid.MeanOf(0.5, 0, 0.5, 1, Srgb.White));
        // Half the light is not half the number: 188 of 255.
        Assert.Equal(188, new ColourGrid(2, 1, [255, 255, 255, 255, 0, 0, 0, 255]).MeanOf(0, 0, 1, 1, Srgb.White).Red);
        Assert.Equal(Srgb.White, grid.MeanOf(-1, -1, 0.5, 0.5, Srgb.Black));
        Assert.Throws<ArgumentException>(() => new ColourGrid(2, 2, [1, 2, 3, 4]));
    }

    [Fact]
    public void The_worst_words_are_told_by_what_they_need_not_by_their_ratio_alone()
    {
        WordsGround Of(double needed, Srgb below) =>
            new(needed, [.. ImmutableArray.CreateRange(Enumerable.Repeat(below, Readability.Parts))]);
        var worst = Readability
            .Of([Of(3, Srgb.Parse("#8a8a8a")), Of(4.5, Srgb.Parse("#7f7f7f"))], Srgb.White, Srgb.Black, 0)!
            .Value;
        Assert.Equal(4.5, worst.Needed);
        Assert.False(worst.IsEnough);
    }
}
