using System.Collections.Immutable;
using System.Diagnostics;
using Dekoro.Core.Geometry;
using Dekoro.Core.Twins;

namespace Dekoro.Bench;

/// <summary>What finding those that look the same among a hundred thousand takes, beside looking at all.</summary>
internal static class Indexed
{
    private const int Pictures = 100_000,
        Asked = 60,
        Side = 48;

    public static void Print()
    {
        var looks = new LookHashes[Pictures];
        Parallel.For(0, Pictures, i => looks[i] = Clouds(i));
        var before = GC.GetTotalMemory(forceFullCollection: true);
        var index = new LookIndex();
        var clock = Stopwatch.StartNew();
        for (var i = 0; i < Pictures; i++)
            index.Set($"{i}", looks[i]);
        var built = clock.Elapsed;
        var held = GC.GetTotalMemory(forceFullCollection: true) - before;
        var (byIndex, byScan, candidates, byAll) = (new List<double>(), new List<double>(), 0, 0);
        for (var i = 0; i < Asked; i++)
        {
            var look = looks[i * (Pictures / Asked)];
            clock.Restart();
            var near = index.Near(look);
            byIndex.Add(clock.Elapsed.TotalMilliseconds);
            candidates += near.Count;
            clock.Restart();
            var scanned = looks.Count(look.IsNear);
            byScan.Add(clock.Elapsed.TotalMilliseconds);
            byAll += scanned;
        }
        byIndex.Sort();
        byScan.Sort();
        Console.WriteLine(
            $"Twins of one among {Pictures}: median {byIndex[Asked / 2]:0.00} ms, 95th {byIndex[Asked * 19 / 20]:0.00} "
                + $"ms (wanted 5); a scan {byScan[Asked / 2]:0.0} ms, ratio {byScan[Asked / 2] / byIndex[Asked / 2]:0} "
                + $"(wanted 20); {(double)candidates / Asked:0.0} of {(double)byAll / Asked:0.0} found; "
                + $"built in {built.TotalSeconds:0.0} s, "
                + $"{held >> 20} MB"
        );
    }

    /// <summary>Soft random light, of which neighbours are alike as in photographs.</summary>
    private static LookHashes Clouds(int seed)
    {
        var random = new Random(seed);
        var waves = Enumerable
            .Range(0, 10)
            .Select(_ =>
                (
                    X: random.NextDouble() * 7,
                    Y: random.NextDouble() * 5,
                    At: random.NextDouble() * 7,
                    By: random.NextDouble()
                )
            )
            .ToArray();
        var rgba = new byte[SmallCopy.LongerPx * Side * 4];
        for (var i = 0; i < SmallCopy.LongerPx * Side; i++)
        {
            var (x, y) = (i % SmallCopy.LongerPx / 64.0 * Math.PI, i / SmallCopy.LongerPx / 48.0 * Math.PI);
            var light = 128 + waves.Sum(w => 60 * w.By * Math.Cos(w.X * x + w.Y * y + w.At)) / 2;
            rgba.AsSpan(4 * i, 3).Fill((byte)Math.Clamp(light, 0, 255));
            rgba[4 * i + 3] = 255;
        }
        var copy = new SmallCopy(SmallCopy.LongerPx, Side, ImmutableArray.Create(rgba));
        return Look.Of(copy, AspectRatio.Of(4, 3)).Hashes!;
    }
}
