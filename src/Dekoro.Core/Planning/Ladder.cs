using System.Collections.Immutable;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Planning;

/// <summary>What one device wants of a picture in one place: file px, and how often.</summary>
public readonly record struct Demand(int WidthPx, double Share);

/// <summary>
/// The widths to make of one picture in one cut, so that every device that meets it anywhere on the site gets a file close
/// to the size it needs.
/// </summary>
/// <param name="WidthsPx">Ascending; at least one; none wider than the cut.</param>
/// <param name="WorstRatio">Over the picture's places, the largest expected bytes / bytes of exact-size files.</param>
public sealed record Ladder(ImmutableArray<int> WidthsPx, double WorstRatio)
{
    public const int MostWidths = 8;
    public const double WantedRatio = 1.10;

    /// <summary>What each device of a profile wants of a slot: slot px × ratio, never more than the cut has.</summary>
    public static ImmutableArray<Demand> DemandsOf(SlotWidth slot, DeviceProfile profile, int cutWidthPx) =>
    [
        .. profile.Devices.Select(d => new Demand(DemandPx(slot.At(d.ViewportCssPx), d.PixelRatio, cutWidthPx), d.Share)),
    ];

    /// <summary>The least K widths with which every place is within <see cref="WantedRatio"/>, at most eight.</summary>
    /// <param name="places">The demands of each place of this picture in this cut; at least one place.</param>
    /// <param name="bytes">Expected bytes of a file of a width.</param>
    /// <remarks>
    /// For a given K the expected bytes Σ share·bytes(smallest chosen ≥ demand) are least when neighbours are served by
    /// their maximum: an exact dynamic programme over the n distinct demands, O(K·n²). Places count equally, each against
    /// its own exact-size bytes. Where eight widths leave one place above, its weight is raised and the choice made again.
    /// </remarks>
    /// <exception cref="ArgumentException">No place.</exception>
    public static Ladder Choose(IReadOnlyList<ImmutableArray<Demand>> places, BytesModel bytes)
    {
        if (places.Count == 0) throw new ArgumentException("A ladder is made for at least one place.", nameof(places));
        var demands = places.SelectMany(p => p.Select(d => d.WidthPx)).Distinct().Order().ToArray();
        var exact = places.Select(p => p.Sum(d => d.Share * bytes.At(d.WidthPx))).ToArray();
        var emphasis = Enumerable.Repeat(1.0, places.Count).ToArray();
        Ladder? best = null;
        for (var round = 0; round < 12; round++)
        {
            var table = Table.Of(demands, Weights(), bytes);
            for (var k = round == 0 ? 1 : Math.Min(MostWidths, demands.Length); k <= Math.Min(MostWidths, demands.Length); k++)
            {
                var widths = table.Best(k);
                var ratios = Ratios(widths);
                var worst = ratios.Max();
                if (best is null || worst < best.WorstRatio - 1e-12) best = new Ladder([.. widths], worst);
                if (worst <= WantedRatio) return new Ladder([.. widths], worst);
                if (k < MostWidths) continue;
                for (var p = 0; p < places.Count; p++)
                {
                    if (ratios[p] > WantedRatio) emphasis[p] *= 2;
                }
            }
        }
        return best!;

        double[] Weights()
        {
            var weights = new double[demands.Length];
            for (var p = 0; p < places.Count; p++)
            {
                foreach (var d in places[p]) weights[Array.BinarySearch(demands, d.WidthPx)] += emphasis[p] * d.Share / exact[p];
            }
            return weights;
        }

        double[] Ratios(int[] widths) => [.. places.Select((p, i) => ExpectedBytes(widths, p, bytes) / exact[i])];
    }

    /// <summary>Σ share·bytes(smallest of <paramref name="widthsPx"/> ≥ demand, else the largest).</summary>
    public static double ExpectedBytes(IReadOnlyList<int> widthsPx, IEnumerable<Demand> demands, BytesModel bytes) =>
        demands.Sum(d => d.Share * bytes.At(Forecast.Take(widthsPx, d.WidthPx, 1)));

    private static int DemandPx(double slotCssPx, double ratio, int cutWidthPx) =>
        Math.Clamp((int)Math.Ceiling(slotCssPx * ratio - 1e-6), 1, cutWidthPx);

    /// <summary>previous[k][i]: where the group before the one ending at demand i ends, when k widths serve demands 0..i at least cost.</summary>
    private sealed class Table(int[] demands, int[][] previous)
    {
        public static Table Of(int[] demands, double[] weights, BytesModel bytes)
        {
            var n = demands.Length;
            var rounds = Math.Min(MostWidths, n);
            var sum = new double[n + 1];
            for (var i = 0; i < n; i++) sum[i + 1] = sum[i] + weights[i];
            var cost = new double[rounds + 1][];
            var previous = new int[rounds + 1][];
            for (var k = 1; k <= rounds; k++)
            {
                cost[k] = new double[n];
                previous[k] = new int[n];
                for (var i = 0; i < n; i++)
                {
                    (cost[k][i], previous[k][i]) = (sum[i + 1] * bytes.At(demands[i]), -1);
                    if (k == 1) continue;
                    for (var j = k - 2; j < i; j++)
                    {
                        var c = cost[k - 1][j] + (sum[i + 1] - sum[j + 1]) * bytes.At(demands[i]);
                        if (c < cost[k][i]) (cost[k][i], previous[k][i]) = (c, j);
                    }
                }
            }
            return new Table(demands, previous);
        }

        public int[] Best(int k)
        {
            var widths = new Stack<int>();
            for (int i = demands.Length - 1, left = k; i >= 0; left--)
            {
                widths.Push(demands[i]);
                i = previous[left][i];
            }
            return [.. widths];
        }
    }
}
