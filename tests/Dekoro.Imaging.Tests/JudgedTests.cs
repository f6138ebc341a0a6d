using System.Text.Json;
using Dekoro.Bench;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Twins;
using NetVips;

namespace Dekoro.Imaging.Tests;

/// <summary>
/// What is said of real photographs, out of packages that <c>tools/judged</c> fetches; the boxes round their subjects
/// were drawn by hand. <c>bench/run judged</c> prints the whole table.
/// </summary>
public sealed class JudgedTests
{
    private static readonly string Root = Path.Combine(Path.GetDirectoryName(Demo.Path("box-kite.jpg"))!, "..", "..");

    private static readonly AspectRatio[] Shapes =
    [
        AspectRatio.Of(1, 1),
        AspectRatio.Of(4, 5),
        AspectRatio.Of(16, 9),
        AspectRatio.Of(3, 1),
    ];

    [Fact]
    public void Subjects_of_photographs_are_lost_less_often_than_by_the_middle_and_none_much_more()
    {
        var all = Drawn()
            .AsParallel()
            .AsOrdered()
            .Select(one =>
            {
                var size = one.Probed.Size;
                var guess = Measure.Read(one.Path, one.Probed).KeepGuess ?? FocalRegion.Middle;
                double Lost(FocalRegion keep) =>
                    Shapes.Average(s => Losses.Beyond(Cut.To(s, size, keep), one.Subject, size, s));
                return (one.Name, Middle: Lost(FocalRegion.Middle), Now: Lost(guess));
            })
            .ToList();
        var (middle, now) = (all.Average(a => a.Middle), all.Average(a => a.Now));
        var worst = all.MaxBy(a => a.Now - a.Middle);
        Demo.Say(
            $"Photographs: subject lost beyond need, mean of {all.Count}: {now:P1}, by the middle {middle:P1}; worst "
                + $"{worst.Name}, {worst.Now - worst.Middle:P1} more than the middle"
        );
        Assert.True(now <= 0.5 * middle, $"{now:P1} of {middle:P1}");
        Assert.True(worst.Now - worst.Middle <= 0.15, worst.Name);
    }

    [Fact]
    public void Photographs_that_are_blurred_are_told_from_those_that_are_not_and_wider_blur_has_wider_edges()
    {
        double[] sigmas = [0, 3, 6];
        var series = Drawn()
            .AsParallel()
            .AsOrdered()
            .Select(one => (one.Name, Edges: sigmas.Select(sigma => EdgePxOf(one.Path, sigma)).ToList()))
            .Where(s => s.Edges[0] is > 0 and < PictureFacts.BlurredFromEdgePx)
            .ToList();
        var blurred = series.SelectMany(s => s.Edges.Skip(1)).Count(px => px >= PictureFacts.BlurredFromEdgePx);
        var growing = series.Count(s => s.Edges.SequenceEqual(s.Edges.Order()));
        Demo.Say(
            $"Photographs: {blurred} of {2 * series.Count} blurred by 3 and 6 px are called so; edges grow in "
                + $"{growing} of {series.Count}"
        );
        Assert.True(series.Count >= 10, $"{series.Count}");
        Assert.True(blurred >= 0.9 * 2 * series.Count, $"{blurred} of {2 * series.Count}");
        Assert.True(growing >= 0.9 * series.Count, $"{growing} of {series.Count}");
    }

    [Fact]
    public void No_two_photographs_of_the_reporting_half_are_twins_and_their_small_and_mirrored_copies_are()
    {
        var paths = Directory.GetFiles(Path.Combine(Folder(), "reported")).Order(StringComparer.Ordinal).ToList();
        var looks = paths.AsParallel().AsOrdered().Select(path => (path, Look: LookOf(path, i => i.Copy()))).ToList();
        var pairs =
            from a in looks
            from b in looks
            where string.CompareOrdinal(a.path, b.path) < 0 && Look.AreTwins(a.Look, b.Look)
            select $"{Path.GetFileName(a.path)} ~ {Path.GetFileName(b.path)}";
        Assert.Empty(pairs);
        var missed = looks
            .AsParallel()
            .SelectMany(one =>
                new[] { LookOf(one.path, i => i.Resize(0.25)), LookOf(one.path, i => i.FlipHor()) }
                    .Where(copy => !Look.AreTwins(one.Look, copy))
                    .Select(_ => Path.GetFileName(one.path))
            )
            .ToList();
        Demo.Say($"Photographs: {missed.Count} of {2 * looks.Count} small and mirrored copies are missed");
        Assert.True(missed.Count <= 0.05 * 2 * looks.Count, string.Join(", ", missed));
    }

    /// <summary>Where they lie; without them a run says so, and ./test fails where they do not come.</summary>
    private static string Folder()
    {
        var folder = Environment.GetEnvironmentVariable("DEKORO_JUDGED") ?? Path.Combine(Root, "out", "judged");
        Assert.SkipUnless(Directory.Exists(folder), $"{folder} is not there: fetch it with tools/judged.");
        return folder;
    }

    /// <summary>Those of the boxes whose pictures were fetched.</summary>
    private static List<Judged> Drawn()
    {
        var folder = Folder();
        var boxes = File.ReadAllText(Path.Combine(Root, "tests", "fixtures", "judged", "subjects.json"));
        return
        [
            .. JsonSerializer
                .Deserialize<Dictionary<string, JsonElement[][]>>(boxes)!
                .SelectMany(half => half.Value)
                .Select(row => new Judged(
                    Path.Combine(folder, row[0].GetString()!),
                    [.. row[1..].Select(value => value.GetDouble())]
                ))
                .Where(one => File.Exists(one.Path)),
        ];
    }

    /// <summary>Of a part from the middle of it, at full size: as much as a camera's blur is seen in.</summary>
    private static double EdgePxOf(string path, double sigma)
    {
        using var image = Image.NewFromFile(path);
        using var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy();
        var (w, h) = (Math.Min(1600, opaque.Width), Math.Min(1200, opaque.Height));
        using var part = opaque.Crop((opaque.Width - w) / 2, (opaque.Height - h) / 2, w, h);
        using var blurred = sigma > 0 ? part.Gaussblur(sigma) : part.Copy();
        return Written(blurred, copy => Measure.EdgePxOf(copy, PictureFormat.Jpeg, new(w, h), Edits.None));
    }

    private static Look LookOf(string path, Func<Image, Image> make)
    {
        using var image = Image.Thumbnail(path, 1200, height: 100_000);
        using var opaque = image.HasAlpha() ? image.Flatten(background: [255.0]) : image.Copy();
        using var colours = opaque.Colourspace(Enums.Interpretation.Srgb);
        using var made = make(colours);
        return Written(made, copy => Measure.LookOf(copy, PictureFormat.Jpeg, new(made.Width, made.Height)));
    }

    private static T Written<T>(Image image, Func<string, T> read)
    {
        var copy = Path.Combine(Path.GetTempPath(), $"dekoro-judged-{Guid.NewGuid():N}.jpg");
        image.Jpegsave(copy, q: 92);
        try
        {
            return read(copy);
        }
        finally
        {
            File.Delete(copy);
        }
    }
}
