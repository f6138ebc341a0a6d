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

    /// <summary>
    /// What each device of a profile wants of a slot: slot px × ratio, never more than the cut has. Where a slot is shown only
    /// at widths that no device of the profile has, a dense screen at its beginning stands for them.
    /// </summary>
    public static ImmutableArray<Demand> DemandsOf(SlotWidth slot, DeviceProfile profile, int cutWidthPx)
    {
        var demands = profile.Devices.Where(d => slot.At(d.ViewportCssPx) > 0)
            .Select(d => new Demand(DemandPx(slot.At(d.ViewportCssPx), d.PixelRatio, cutWidthPx), d.Share)).ToImmutableArray();
        if (!demands.IsEmpty) return demands;
        var shownFrom = slot.Segments.Select(s => s.FromPx).FirstOrDefault(from => slot.At(from) > 0);
        return [new(DemandPx(slot.At(shownFrom), Fit.MostRatio, cutWidthPx), 1)];
    }

    /// <summary>The one of its widths that serves a place of this width best where only one can be named.</summary>
    public Ladder OnlyFor(double slotCssPx) => this with { WidthsPx = [WidthsPx.FirstOrDefault(w => w >= slotCssPx, WidthsPx[^1])] };

    /// <summary>The least K widths with which every place is within <see cref="WantedRatio"/>, at most eight.</summary>
    /// <param name="places">The demands of each place of this picture in this cut; at least one place.</param>
    /// <param name="bytes">Expected bytes of a file of a width.</param>
    /// <remarks>
    /// For a given K the expected bytes Σ share·bytes(smallest chosen ≥ demand) are least when neighbours are served by
    /// their maximum: an exact dynamic programme over the n distinct demands, O(K·n²). Places count equally, each against
    /// its own exact-size bytes. Where eight widths leave one place above, they are moved one at a time for as long as the
    /// worst place gains: three or more very different places of one cut may still end a few hundredths above.
    /// </remarks>
    /// <exception cref="ArgumentException">No place.</exception>
    public static Ladder Choose(IReadOnlyList<ImmutableArray<Demand>> places, BytesModel bytes)
    {
        if (places.Count == 0) throw new ArgumentException("A ladder is made for at least one place.", nameof(places));
        var demands = places.SelectMany(p => p.Select(d => d.WidthPx)).Distinct().Order().ToArray();
        var exact = places.Select(p => p.Sum(d => d.Share * bytes.At(d.WidthPx))).ToArray();
        var weights = new double[demands.Length];
        for (var p = 0; p < places.Count; p++)
        {
            foreach (var d in places[p]) weights[Array.BinarySearch(demands, d.WidthPx)] += d.Share / exact[p];
        }
        var table = Table.Of(demands, weights, bytes);
        var most = Math.Min(MostWidths, demands.Length);
        for (var k = 1; k <= most; k++)
        {
            if (Rated(table.Best(k)) is var ladder && (ladder.WorstRatio <= WantedRatio || k == demands.Length)) return ladder;
        }
        return Moved(Rated(table.Best(most)), demands, Rated);

        Ladder Rated(int[] widths) => new([.. widths], WorstRatioOf(widths, places, bytes));
    }

    /// <summary>The widths that can be made of a cut: no file is wider than its cut, so wider wishes end there.</summary>
    public static int[] MakeableOf(IEnumerable<int> widthsPx, int cutWidthPx) => [.. widthsPx.Select(w => Math.Min(w, cutWidthPx)).Distinct()];

    /// <summary>Over the places, the largest expected bytes / bytes of exact-size files, of any list of widths.</summary>
    public static double WorstRatioOf(IReadOnlyList<int> widthsPx, IReadOnlyList<ImmutableArray<Demand>> places, BytesModel bytes) =>
        places.Max(p => ExpectedBytes(widthsPx, p, bytes) / p.Sum(d => d.Share * bytes.At(d.WidthPx)));

    /// <summary>Σ share·bytes(smallest of <paramref name="widthsPx"/> ≥ demand, else the largest).</summary>
    public static double ExpectedBytes(IReadOnlyList<int> widthsPx, IEnumerable<Demand> demands, BytesModel bytes) =>
        demands.Sum(d => d.Share * bytes.At(Forecast.Take(widthsPx, d.WidthPx, 1)));

    /// <summary>Steepest descent on the worst place: each step the one move of a width that gains most. The widest stays.</summary>
    private static Ladder Moved(Ladder from, int[] demands, Func<int[], Ladder> rated)
    {
        while (true)
        {
            var best = from;
            for (var i = 0; i < from.WidthsPx.Length - 1; i++)
            {
                foreach (var demand in demands.Except(from.WidthsPx))
                {
                    var moved = rated([.. from.WidthsPx.SetItem(i, demand).Order()]);
                    if (moved.WorstRatio < best.WorstRatio - 1e-9) best = moved;
                }
            }
            if (best == from || best.WorstRatio <= WantedRatio) return best;
            from = best;
        }
    }

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
