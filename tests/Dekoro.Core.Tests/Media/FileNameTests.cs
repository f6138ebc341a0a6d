using Dekoro.Core.Media;
using Dekoro.Core.Tests.Planning;

namespace Dekoro.Core.Tests.Media;

public sealed class FileNameTests
{
    [Theory]
    [InlineData("small-07.jpg")]
    [InlineData("web_large_012.png")]
    public void What_is_left_of_a_name_and_tells_only_a_size_or_a_state_is_no_title(string name) =>
        Assert.Equal("", FileNames.SuggestTitle(name));

    [Theory]
    [InlineData("IMG_2041.JPG")]
    [InlineData("DSC00417.jpeg")]
    [InlineData("P1010032.png")]
    [InlineData("20240613_101502.jpg")]
    [InlineData("0f3a9be2c41d77.webp")]
    [InlineData("IMG-20240613-WA0003")]
    [InlineData("Screenshot (12).png")]
    public void Names_that_say_nothing_are_known(string name)
    {
        Assert.True(FileNames.SaysNothing(name));
        Assert.Equal("", FileNames.SuggestTitle(name));
    }

    [Theory]
    [InlineData("red-kite_over-dunes.jpg", "Red kite over dunes")]
    [InlineData("dunes-1920x1080.jpg", "Dunes")]
    [InlineData("WORKSHOP_TABLE_02.JPG", "Workshop table")]
    [InlineData("boxKiteSpring final.png", "Box Kite Spring")]
    [InlineData("lantern%20night (3).webp", "Lantern night")]
    public void Other_names_give_a_readable_title(string name, string title) =>
        Assert.Equal(title, FileNames.SuggestTitle(name));

    [Fact]
    public void Words_inside_the_file_are_better_than_its_name() =>
        Assert.Equal("Evening on the pier", FileNames.SuggestTitle("IMG_2041.JPG", " Evening  on the pier "));

    [Fact]
    public void Marks_say_what_is_still_to_be_mended()
    {
        Assert.Equal(
            [Mark.NoAlt, Mark.FileNameAsTitle, Mark.Soft],
            Marks.Of(Sample.Picture(words: new PictureMetadata("IMG_2041"), edgePx: PictureFacts.BlurredFromEdgePx))
        );
        Assert.Empty(Marks.Of(Sample.Picture()));
    }
}
