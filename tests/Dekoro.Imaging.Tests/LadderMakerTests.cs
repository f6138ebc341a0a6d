using Dekoro.Core.Delivery;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using NetVips;

namespace Dekoro.Imaging.Tests;

public sealed class LadderMakerTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-ladder").FullName;

    [Fact]
    public void Every_step_of_a_ladder_is_a_file_of_its_width_shape_and_format()
    {
        var size = Demo.Probe("hall-progressive.jpg").Size;
        var cut = Cut.To(AspectRatio.Of(16, 9), size, FocalRegion.Middle);
        var steps = (
            from width in new[] { 320, 640, 1200 }
            from format in new[] { OutputFormat.WebP, OutputFormat.Jpeg, OutputFormat.Avif }
            select Step(width, format)
        ).ToList();
        LadderMaker.Make(new(Demo.Path("hall-progressive.jpg"), size, Edits.None, cut, false), steps, new("", ""));
        foreach (var step in steps)
        {
            using var made = Image.NewFromFile(step.Path);
            Assert.Equal((step.WidthPx, (int)Math.Round(step.WidthPx / cut.Shape.Value)), (made.Width, made.Height));
            Assert.StartsWith(
                step.Format switch
                {
                    OutputFormat.Jpeg => "jpeg",
                    OutputFormat.WebP => "webp",
                    _ => "heif",
                },
                (string)made.Get("vips-loader"),
                StringComparison.Ordinal
            );
        }
        // Wider files weigh more, in every format.
        foreach (var format in steps.GroupBy(s => s.Format))
            Assert.Equal(
                format.OrderBy(s => s.WidthPx).Select(s => s.Path),
                format.OrderBy(s => new FileInfo(s.Path).Length).Select(s => s.Path)
            );
    }

    [Fact]
    public void A_cut_shows_the_window_that_was_asked_for()
    {
        var size = Demo.Probe("windle-sands-june-morning.jpg").Size;
        var cut = new Cut(4000, 500, 1000, 1000);
        var step = Step(500, OutputFormat.Png);
        LadderMaker.Make(
            new(Demo.Path("windle-sands-june-morning.jpg"), size, Edits.None, cut, false),
            [step],
            new("", "")
        );
        using var source = Image.NewFromFile(Demo.Path("windle-sands-june-morning.jpg"));
        using var expected = source.Crop(4000, 500, 1000, 1000).Resize(0.5);
        using var made = Image.NewFromFile(step.Path);
        Assert.True(
            (made - expected).Abs().Avg() < 2.5,
            "The made file and the window differ by less than a hundredth of the range."
        );
    }

    [Fact]
    public void Location_and_serial_numbers_go_and_the_credit_stays()
    {
        using (var source = Image.NewFromFile(Demo.Path("museum-with-location.jpg")))
            Assert.Contains(source.GetFields(), f => f.Contains("GPS", StringComparison.Ordinal));
        var step = Step(640, OutputFormat.Jpeg);
        LadderMaker.Make(
            new(
                Demo.Path("museum-with-location.jpg"),
                Demo.Probe("museum-with-location.jpg").Size,
                Edits.None,
                Cut.Whole(Demo.Probe("museum-with-location.jpg").Size),
                false
            ),
            [step],
            new("Ana Verhulst", "")
        );
        using var made = Image.NewFromFile(step.Path);
        Assert.DoesNotContain(made.GetFields(), f =>
            f.Contains("GPS", StringComparison.Ordinal) || f.Contains("Serial", StringComparison.Ordinal)
        );
        Assert.Contains(
            "Ana Verhulst",
            File.ReadAllText(step.Path, System.Text.Encoding.Latin1),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_printers_colours_and_a_turned_picture_come_out_upright_and_in_sRGB()
    {
        foreach (var name in new[] { "poster-for-the-printer.jpg", "lighthouse-turned.jpg" })
        {
            var (size, step) = (Demo.Probe(name).Size, Step(320, OutputFormat.Jpeg));
            LadderMaker.Make(new(Demo.Path(name), size, Edits.None, Cut.Whole(size), false), [step], new("", ""));
            using var made = Image.NewFromFile(step.Path);
            Assert.Equal(Enums.Interpretation.Srgb, made.Interpretation);
            Assert.Equal((double)size.Width / size.Height, (double)made.Width / made.Height, 1);
        }
    }

    [Fact]
    public void An_animation_keeps_its_frames_and_a_cut_out_keeps_what_shows_through()
    {
        var gif = Demo.Probe("tail-in-the-wind.gif");
        var (moving, still) = (Step(300, OutputFormat.WebP), Step(450, OutputFormat.WebP));
        LadderMaker.Make(
            new(Demo.Path("tail-in-the-wind.gif"), gif.Size, Edits.None, Cut.Whole(gif.Size), true),
            [moving],
            new("", "")
        );
        using (var made = Image.NewFromFile(moving.Path, kwargs: new VOption { { "n", -1 } }))
            Assert.Equal(gif.Frames, (int)made.Get("n-pages"));
        var png = Demo.Probe("kite-cut-out.png");
        LadderMaker.Make(
            new(Demo.Path("kite-cut-out.png"), png.Size, Edits.None, Cut.Whole(png.Size), false),
            [still],
            new("", "")
        );
        using var alpha = Image.NewFromFile(still.Path);
        Assert.True(alpha.HasAlpha() && alpha[3].Min() < 10);
    }

    [Fact]
    public void Out_of_time_is_said_of_the_picture_and_stopped_from_outside_is_a_stop()
    {
        // The largest file of the demo: its decoding alone takes several times the shortest of these limits.
        var file = "windle-sands-june-morning.jpg";
        var size = Demo.Probe(file).Size;
        void Make(CancellationToken stop, TimeSpan most) =>
            LadderMaker.Make(
                new(Demo.Path(file), size, Edits.None, Cut.Whole(size), false),
                [Step(2000, OutputFormat.WebP)],
                new("", ""),
                stop,
                most
            );
        foreach (var ms in new[] { 0, 10 })
            Assert.Contains(
                "takes longer than",
                Assert.Throws<RefusedFileException>(() => Make(default, TimeSpan.FromMilliseconds(ms))).Message,
                StringComparison.Ordinal
            );
        using var later = new CancellationTokenSource(10);
        foreach (var stop in new[] { new CancellationToken(true), later.Token })
            Assert.ThrowsAny<OperationCanceledException>(() => Make(stop, TimeSpan.FromMinutes(1)));
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private LadderStep Step(int width, OutputFormat format) =>
        new(
            width,
            format,
            RenditionSpec.QualityOf(format),
            Path.Combine(_folder, $"{Guid.NewGuid():N}.{format.ToString().ToLowerInvariant()}")
        );
}
