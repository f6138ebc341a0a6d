using CsCheck;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Tests.Editing;

/// <summary>Edits as they are kept, as they are said, and as a shape asks for them.</summary>
public sealed class EditsWrittenTests
{
    private static readonly Gen<Edits> Any = Gen.Select(
        Gen.Int[0, 3],
        Gen.Bool,
        Gen.Double[-15, 15],
        Gen.Select(Gen.Double[0, 0.6], Gen.Double[0, 0.6], Gen.Double[0.1, 0.4]),
        Gen.Int[-100, 100].Array[6],
        (turns, mirror, deg, box, a) =>
            Edits.Of(
                turns,
                mirror,
                deg,
                new FocalRegion(box.Item1, box.Item2, box.Item3, box.Item3),
                Adjustments.Of(a[0], a[1], a[2], a[3], a[4], Math.Abs(a[5]))
            )
    );

    [Fact]
    public void What_is_written_is_read_again_and_equal_edits_are_written_alike() =>
        Any.Sample(edits =>
        {
            var text = EditsText.Write(edits);
            Assert.Equal(edits, EditsText.Read(text));
            Assert.Equal(text, EditsText.Write(EditsText.Read(text)!));
            Assert.Equal(text, EditsText.Write(edits.Turned(4)));
        });

    [Theory]
    [InlineData("{\"light\": \"much\"}")]
    [InlineData("{\"light\": 2000}")]
    [InlineData("{\"glow\": 3}")]
    [InlineData("{\"cut\": [0.9, 0.9, 0.5, 0.5]}")]
    [InlineData("{\"straighten\": 80}")]
    [InlineData("[1, 2]")]
    [InlineData("turn left")]
    public void What_no_version_of_the_program_wrote_is_not_guessed_at(string text) =>
        Assert.Null(EditsText.Read(text));

    [Fact]
    public void Nothing_is_written_as_nothing_and_said_so()
    {
        Assert.Equal("", EditsText.Write(Edits.None));
        Assert.Equal(Edits.None, EditsText.Read("  "));
        Assert.Equal("Original", EditsWords.Of(Edits.None));
        Assert.Equal(
            "Turned, mirrored, straightened +1.5°, darker, cooler",
            EditsWords.Of(Edits.Of(1, true, 1.5, Edits.None.Window, Adjustments.Of(-20, 0, 0, 0, -5, 0)))
        );
    }

    [Fact]
    public void Every_edit_is_said_and_nothing_that_was_not_done() =>
        Any.Sample(edits =>
        {
            var words = EditsWords.Of(edits);
            Assert.Equal(edits.QuarterTurns != 0, words.Contains("turned", StringComparison.OrdinalIgnoreCase));
            Assert.Equal(edits.IsMirrored, words.Contains("mirrored", StringComparison.OrdinalIgnoreCase));
            Assert.Equal(edits.StraightenDeg != 0, words.Contains("straightened", StringComparison.OrdinalIgnoreCase));
            Assert.Equal(edits.Adjustments.Warmth > 0, words.Contains("warmer", StringComparison.OrdinalIgnoreCase));
        });

    [Fact]
    public void A_shape_takes_the_largest_window_of_it_about_the_middle_of_the_cut_there_was() =>
        Gen.Select(Any, Gen.OneOfConst((16, 9), (1, 1), (3, 4), (2, 1)), Gen.Int[600, 4000], Gen.Int[600, 4000])
            .Sample(
                (edits, ratio, w, h) =>
                {
                    var (shape, size) = (AspectRatio.Of(ratio.Item1, ratio.Item2), new PixelSize(w, h));
                    var cut = edits.CutTo(shape, size);
                    var (frameWidth, frameHeight) = cut.FrameOf(size);
                    var drawn = cut.Window.Width * frameWidth / (cut.Window.Height * frameHeight);
                    Assert.Equal(shape.Value, drawn, 0.002 * shape.Value);
                    // Largest: it touches two opposite sides.
                    Assert.True(cut.Window.Width > 1 - 1e-5 || cut.Window.Height > 1 - 1e-5);
                    // Its middle is where the old one's was, as far as the frame lets it.
                    Assert.True(
                        cut.Window.Width > 1 - 1e-5
                            || cut.Window.X is < 1e-5
                            || cut.Window.X + cut.Window.Width > 1 - 1e-5
                            || Math.Abs(cut.Window.CentreX - edits.Window.CentreX) < 1e-5
                    );
                    Assert.Equal(edits.StraightenDeg, cut.StraightenDeg);
                }
            );
}
