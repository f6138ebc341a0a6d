using Dekoro.Core.Media;
using NetVips;

namespace Dekoro.Imaging.Tests;

public sealed class ThumbnailTests
{
    [Fact]
    public void A_thumbnail_is_made_anew_upright_and_no_wider_than_asked()
    {
        var small = Thumbnail.WebPOf(File.ReadAllBytes(Demo.Path("lighthouse-turned.jpg")), 200);
        using var image = Image.NewFromBuffer(small);
        var probed = Demo.Probe("lighthouse-turned.jpg");
        Assert.Equal(200, image.Width);
        Assert.Equal(probed.Size.Shape.Value, (double)image.Width / image.Height, 0.02);
        Assert.Equal(Dekoro.Core.Media.PictureFormat.WebP, Demo.FormatOf(small));
        Assert.DoesNotContain("exif-data", image.GetFields());
    }

    [Fact]
    public void A_small_picture_is_not_blown_up()
    {
        using var tiny = Image.Black(40, 30, bands: 3);
        using var small = Image.NewFromBuffer(Thumbnail.WebPOf(tiny.PngsaveBuffer(), 200));
        Assert.Equal((40, 30), (small.Width, small.Height));
    }

    [Fact]
    public void What_is_no_picture_or_too_large_is_refused_in_words()
    {
        Assert.Contains(
            "not a picture",
            Assert.Throws<RefusedFileException>(() => Thumbnail.WebPOf("<html>"u8.ToArray(), 200)).Message,
            StringComparison.Ordinal
        );
        using var vast = Image.Black(10_000, 8_000);
        Assert.Contains(
            "too large",
            Assert
                .Throws<RefusedFileException>(() => Thumbnail.WebPOf(vast.PngsaveBuffer(compression: 1), 200))
                .Message,
            StringComparison.Ordinal
        );
    }
}
