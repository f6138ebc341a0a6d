using Dekoro.Core.Geometry;
using Dekoro.Imaging;

namespace Dekoro.Bench;

/// <summary>
/// What of subjects is lost beyond what no cut could keep: by the middle, by what was suggested before, and now.
/// </summary>
internal static class KeepAreas
{
    private static readonly AspectRatio[] Shapes =
    [
        AspectRatio.Of(1, 1),
        AspectRatio.Of(4, 5),
        AspectRatio.Of(16, 9),
        AspectRatio.Of(3, 1),
    ];

    public static void Print(IReadOnlyDictionary<string, List<Judged>> halves)
    {
        var all = halves.ToDictionary(half => half.Key, half => half.Value.Select(Of).ToList());
        foreach (var (name, middle, before, now, found) in all.Values.SelectMany(half => half))
            Console.WriteLine($"{name, -34} middle {middle, 6:P1}  before {before, 6:P1}  now {now, 6:P1}  {found}");
        foreach (var (half, of) in all)
            Sum(half, of);
        Sum("all", [.. all.Values.SelectMany(half => half)]);
    }

    private static void Sum(
        string half,
        IReadOnlyList<(string Name, double Middle, double Before, double Now, string Found)> all
    )
    {
        var (m, b, n) = (all.Average(a => a.Middle), all.Average(a => a.Before), all.Average(a => a.Now));
        var worst = all.MaxBy(a => a.Now - a.Middle);
        Console.WriteLine(
            $"Subject lost beyond need, {half}, mean of {all.Count}: middle {m:P2}, before {b:P2}, now {n:P2}; "
                + $"now : middle {n / m:0.00} (wanted: at most 0.33); worst {worst.Name}, "
                + $"{worst.Now - worst.Middle:P1} more than the middle (wanted: at most 15 %)"
        );
    }

    private static (string Name, double Middle, double Before, double Now, string Found) Of(Judged one)
    {
        var probed = one.Probed;
        var guess = Measure.Read(one.Path, probed).KeepGuess;
        return (
            one.Name,
            Lost(FocalRegion.Middle),
            Lost(Rival.Attention(one.Path)),
            Lost(guess ?? FocalRegion.Middle),
            guess is { } g ? $"{g.X:0.00} {g.Y:0.00} {g.Width:0.00} {g.Height:0.00}" : "no clear subject"
        );

        double Lost(FocalRegion keep) =>
            Shapes.Average(s => Losses.Beyond(Cut.To(s, probed.Size, keep), one.Subject, probed.Size, s));
    }
}
