using CsCheck;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Imaging.Tests;

public sealed class ProbeTests
{
    [Theory]
    [InlineData("windle-sands-june-morning.jpg", PictureFormat.Jpeg, 6000, 2000, 1, false)]
    [InlineData("patchwork-sail.png", PictureFormat.Png, 1100, 1100, 1, false)]
    [InlineData("kite-cut-out.png", PictureFormat.Png, 900, 964, 1, true)]
    [InlineData("box-kite-winter.webp", PictureFormat.WebP, 0, 0, 1, false)]
    [InlineData("bridle-knots.avif", PictureFormat.Avif, 0, 0, 1, false)]
    [InlineData("bunting.svg", PictureFormat.Svg, 0, 0, 1, true)]
    [InlineData("beach-early.tif", PictureFormat.Tiff, 0, 0, 1, false)]
    public void Every_format_is_known_by_its_content(
        string name,
        PictureFormat format,
        int width,
        int height,
        int frames,
        bool alpha
    )
    {
        var probed = Demo.Probe(name);
        Assert.Equal((format, frames, alpha), (probed.Format, probed.Frames, probed.HasAlpha));
        if (width > 0)
            Assert.Equal(new PixelSize(width, height), probed.Size);
    }

    [Fact]
    public void An_animation_has_its_frames_and_the_size_of_one() =>
        Assert.Equal(
            (new PixelSize(600, 400), true),
            (Demo.Probe("tail-in-the-wind.gif").Size, Demo.Probe("tail-in-the-wind.gif").Frames > 1)
        );

    [Fact]
    public void A_picture_turned_by_its_orientation_is_as_it_is_seen()
    {
        var size = Demo.Probe("lighthouse-turned.jpg").Size;
        Assert.True(size.Height > size.Width);
    }

    [Fact]
    public void A_printers_colours_are_named() =>
        Assert.StartsWith("CMYK", Demo.Probe("poster-for-the-printer.jpg").Colour, StringComparison.Ordinal);

    [Fact]
    public void Words_inside_a_file_are_read()
    {
        var embedded = Demo.Probe("laid-out-for-the-show.jpg").Embedded;
        Assert.Equal(("Laid out for the show", "Ana Verhulst"), (embedded.Description, embedded.Credit));
    }

    [Fact]
    public void The_shaken_picture_is_blurred_and_no_other_is()
    {
        Assert.True(Demo.Measure("storm-kite-shaken.jpg").EdgePx >= PictureFacts.BlurredFromEdgePx);
        foreach (
            var name in new[]
            {
                "workshop-window.jpg",
                "two-lanterns.jpg",
                "serpent-small.jpg",
                "poster-for-the-printer.jpg",
            }
        )
            Assert.True(Demo.Measure(name).EdgePx < PictureFacts.BlurredFromEdgePx, name);
    }

    [Fact]
    public void The_first_guess_of_a_keep_area_lies_in_the_picture()
    {
        var keep = Demo.Measure("delta-over-the-dunes.jpg").KeepGuess!.Value;
        Assert.True(keep.X >= 0 && keep.Y >= 0 && keep.X + keep.Width <= 1 && keep.Y + keep.Height <= 1);
    }

    [Fact]
    public void No_content_makes_the_first_look_at_a_file_fail_otherwise_than_with_a_sentence() =>
        Gen.OneOf(
                Gen.Byte.Array[0, 200],
                Gen.Select(
                    Gen.OneOfConst("\xff\xd8\xff", "RIFFxxxxWEBP", "GIF89a", "<svg", "II*\0"),
                    Gen.Byte.Array[0, 100],
                    (head, rest) => head.Select(c => (byte)c).Concat(rest).ToArray()
                )
            )
            .Sample(
                content =>
                {
                    try
                    {
                        Demo.FormatOf(content);
                    }
                    catch (RefusedFileException e)
                    {
                        Assert.EndsWith(".", e.Message, StringComparison.Ordinal);
                    }
                },
                iter: 2000
            );

    [Fact]
    public void A_file_damaged_anywhere_is_refused_or_read_but_never_breaks_the_process()
    {
        var whole = File.ReadAllBytes(Demo.Path("serpent-small.jpg"));
        var path = Path.GetTempFileName();
        Gen.Select(Gen.Int[4, whole.Length - 1], Gen.Byte, Gen.Bool)
            .Sample(
                (at, value, cut) =>
                {
                    var damaged = cut ? whole[..at] : [.. whole[..at], value, .. whole[(at + 1)..]];
                    File.WriteAllBytes(path, damaged);
                    try
                    {
                        Measure.Read(path, Probe.Read(path, PictureFormat.Jpeg));
                    }
                    catch (RefusedFileException) { }
                },
                iter: 60,
                threads: 1
            );
        File.Delete(path);
    }

    [Fact]
    public void A_picture_over_which_the_decoder_complains_is_doubted_and_a_sound_one_is_not()
    {
        var path = Path.GetTempFileName();
        foreach (var name in new[] { "line-reel.jpg", "delta-close-up.jpg", "two-lanterns.jpg" })
        {
            Assert.False(Demo.Measure(name).IsDoubtful);
            // A piece is missing, and the end is there.
            var whole = File.ReadAllBytes(Demo.Path(name));
            File.WriteAllBytes(path, [.. whole[..(whole.Length / 2)], .. whole[(whole.Length * 3 / 4)..]]);
            Assert.True(Measure.Read(path, Probe.Read(path, PictureFormat.Jpeg)).IsDoubtful, name);
        }
        File.Delete(path);
    }
}
