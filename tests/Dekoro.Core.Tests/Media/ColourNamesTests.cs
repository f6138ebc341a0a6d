using CsCheck;
using Dekoro.Core.Media;

namespace Dekoro.Core.Tests.Media;

public sealed class ColourNamesTests
{
    [Theory]
    [InlineData(220, 30, 30, "red")]
    [InlineData(255, 140, 0, "orange")]
    [InlineData(250, 220, 40, "yellow")]
    [InlineData(40, 140, 60, "green")]
    [InlineData(40, 90, 200, "blue")]
    [InlineData(110, 50, 160, "violet")]
    [InlineData(255, 150, 190, "pink")]
    [InlineData(110, 70, 40, "brown")]
    [InlineData(255, 255, 255, "white")]
    [InlineData(128, 128, 128, "grey")]
    [InlineData(5, 5, 8, "black")]
    public void A_colour_has_the_name_people_give_it(byte red, byte green, byte blue, string name) =>
        Assert.Equal(name, ColourNames.Of(red, green, blue));

    [Fact]
    public void Every_colour_has_a_name_and_greys_have_grey_ones() =>
        Gen.Byte[0, 255]
            .Select(Gen.Byte[0, 255], Gen.Byte[0, 255])
            .Sample(
                (r, g, b) =>
                {
                    Assert.Contains(ColourNames.Of(r, g, b), ColourNames.All);
                    Assert.Contains(ColourNames.Of(r, r, r), new[] { "white", "grey", "black" });
                }
            );

    [Fact]
    public void Only_what_covers_enough_is_named_and_most_comes_first()
    {
        byte[] red = [220, 30, 30],
            blue = [40, 90, 200],
            green = [40, 140, 60];
        byte[] Of(byte[] colour, int times) => [.. Enumerable.Repeat(colour, times).SelectMany(c => c)];
        Assert.Equal(["blue", "red"], ColourNames.Of([.. Of(red, 30), .. Of(blue, 60), .. Of(green, 10)]));
        Assert.Empty(ColourNames.Of(ReadOnlySpan<byte>.Empty));
    }
}
