using System.Collections.Immutable;
using Dekoro.Core.Media;

namespace Dekoro.Core.Delivery;

/// <summary>
/// What any choice among the distinct demands costs. Those from one chosen width to the next are served by the next, so
/// that with running sums a choice of k widths is rated in k steps for a place, however many demands there are.
/// </summary>
/// <param name="DemandsPx">Distinct, ascending.</param>
/// <param name="Bytes">Of a file as wide as each demand.</param>
/// <param name="Sums">For each place, the shares / its exact-size bytes of the demands before the one with this number;
/// n + 1 long.</param>
/// <param name="Counts">How many places want just the same, for each of them.</param>
internal sealed record LadderRatios(int[] DemandsPx, double[] Bytes, double[][] Sums, int[] Counts)
{
    public static LadderRatios Of(
        IReadOnlyList<ImmutableArray<Demand>> places,
        BytesModel bytes,
        IReadOnlyList<int>? counts = null
    )
    {
        var demandsPx = places.SelectMany(p => p.Select(d => d.WidthPx)).Distinct().Order().ToArray();
        var bytesOf = Array.ConvertAll(demandsPx, px => bytes.At(px));
        return new(demandsPx, bytesOf, [.. places.Select(SumsOf)], [.. counts ?? [.. places.Select(_ => 1)]]);

        double[] SumsOf(ImmutableArray<Demand> place)
        {
            var sums = new double[demandsPx.Length + 1];
            var exact = 0.0;
            foreach (var d in place)
            {
                var i = Array.BinarySearch(demandsPx, d.WidthPx);
                sums[i + 1] += d.Share;
                exact += d.Share * bytesOf[i];
            }
            for (var i = 1; i < sums.Length; i++)
                sums[i] = sums[i - 1] + sums[i] / exact;
            return sums;
        }
    }

    /// <param name="chosen">Numbers of demands, ascending; the last is the widest of all.</param>
    public double WorstOf(int[] chosen)
    {
        var worst = 0.0;
        foreach (var sums in Sums)
        {
            var (ratio, before) = (0.0, 0.0);
            foreach (var i in chosen)
            {
                ratio += (sums[i + 1] - before) * Bytes[i];
                before = sums[i + 1];
            }
            worst = Math.Max(worst, ratio);
        }
        return worst;
    }
}
