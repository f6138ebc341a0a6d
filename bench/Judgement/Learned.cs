using System.Text.Json;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Imaging;

namespace Dekoro.Bench;

/// <summary>
/// Learning from the hand: where editors drew another keep area than was suggested, how often that is and how far they
/// moved it. Of the demo, which holds no personal data.
/// </summary>
internal static class Learned
{
    /// <summary>From this overlap on the suggestion was as good as kept.</summary>
    private const double AlikeFrom = 0.5;

    private static readonly AspectRatio[] Shapes =
    [
        AspectRatio.Of(1, 1),
        AspectRatio.Of(4, 5),
        AspectRatio.Of(16, 9),
        AspectRatio.Of(3, 1),
    ];

    public static void Print(string demo)
    {
        using var site = JsonDocument.Parse(File.ReadAllText(Path.Combine(demo, "site.json")));
        var drawn = site
            .RootElement.GetProperty("pictures")
            .EnumerateObject()
            .Where(p => p.Value.TryGetProperty("keep", out var keep) && keep.ValueKind == JsonValueKind.Array)
            .Select(p =>
                Of(
                    Path.Combine(demo, "files", p.Name),
                    [.. p.Value.GetProperty("keep").EnumerateArray().Select(v => v.GetDouble())]
                )
            )
            .ToList();
        var moved = drawn.Where(d => d.Suggested is not null && d.Overlap < AlikeFrom).ToList();
        Console.WriteLine(
            $"Keep areas that were drawn by hand: {drawn.Count}; as suggested (half in common) "
                + $"{drawn.Count(d => d.Overlap >= AlikeFrom)}, moved {moved.Count}, where nothing was suggested "
                + $"{drawn.Count(d => d.Suggested is null)}"
        );
        if (moved.Count > 0)
            Console.WriteLine(
                $"  moved by {moved.Average(d => d.Far):P0} of the picture's longer side (mean), "
                    + $"{moved.Max(d => d.Far):P0} at most; area {moved.Average(d => d.Larger):0.0} times the suggested"
            );
        Console.WriteLine(
            $"  cuts by the suggestion lose {drawn.Average(d => d.Lost):P1} of what was drawn, by the middle "
                + $"{drawn.Average(d => d.Middle):P1}"
        );
        foreach (var one in moved.OrderByDescending(d => d.Far).Take(5))
            Console.WriteLine($"  {one.Name}: {one.Far:P0} away, {one.Overlap:P0} in common");
    }

    private sealed record Moved(
        string Name,
        FocalRegion? Suggested,
        double Overlap,
        double Far,
        double Larger,
        double Lost,
        double Middle
    );

    private static Moved Of(string path, double[] box)
    {
        Probed probed;
        using (var file = File.OpenRead(path))
            probed = Probe.Read(path, Probe.FormatOf(file));
        var (hand, size) = (new FocalRegion(box[0], box[1], box[2], box[3]), probed.Size);
        var suggested = probed.Format == PictureFormat.Svg ? null : Measure.Read(path, probed).KeepGuess;
        var by = suggested ?? FocalRegion.Middle;
        var (dx, dy) = (
            (by.X + by.Width / 2 - hand.X - hand.Width / 2) * size.Width,
            (by.Y + by.Height / 2 - hand.Y - hand.Height / 2) * size.Height
        );
        double Lost(FocalRegion keep) => Shapes.Average(s => Losses.Beyond(Cut.To(s, size, keep), hand, size, s));
        return new(
            Path.GetFileName(path),
            suggested,
            suggested is null ? 0 : Common(by, hand),
            Math.Sqrt(dx * dx + dy * dy) / Math.Max(size.Width, size.Height),
            hand.Width * hand.Height / (by.Width * by.Height),
            Lost(by),
            Lost(FocalRegion.Middle)
        );
    }

    /// <summary>What two boxes have in common, as a share of what they cover together.</summary>
    private static double Common(FocalRegion a, FocalRegion b)
    {
        var across = Math.Min(a.X + a.Width, b.X + b.Width) - Math.Max(a.X, b.X);
        var down = Math.Min(a.Y + a.Height, b.Y + b.Height) - Math.Max(a.Y, b.Y);
        var both = Math.Max(0, across) * Math.Max(0, down);
        return both / (a.Width * a.Height + b.Width * b.Height - both);
    }
}
