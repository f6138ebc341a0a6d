using System.Collections.Immutable;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Arrangements;

/// <summary>Pictures in columns, in order to the shortest, the columns' widths set so that all end level.</summary>
/// <param name="Columns">The items of each column, in order.</param>
/// <param name="Widths">Of each column, affine in the container.</param>
/// <param name="IsLevel">False where no such widths lie near enough to equal: then all are equal, and the bottoms ragged.</param>
public sealed record LevelColumns(ImmutableArray<ImmutableArray<int>> Columns, ImmutableArray<Affine> Widths, bool IsLevel)
{
    /// <summary>How far a column's width may lie from the others', as a share.</summary>
    public const double MostUneven = 0.15;

    private const int MostSwaps = 200;

    /// <param name="shapes">Width over height.</param>
    /// <param name="belowPx">What stands below each picture in its column whatever its width, CSS px.</param>
    /// <param name="narrowestPx">Container at the narrow end of the class, CSS px; widths are held to both ends.</param>
    public static LevelColumns Of(IReadOnlyList<double> shapes, IReadOnlyList<double> belowPx, int count, double gutterPx, double narrowestPx, double widestPx)
    {
        count = Math.Max(1, Math.Min(count, shapes.Count));
        var columns = InOrder(shapes, belowPx, count, gutterPx, (narrowestPx + widestPx) / 2);
        for (var i = 0; i < MostSwaps && Unevenness(columns) > MostUneven; i++)
        {
            var before = Unevenness(columns);
            if (BestSwap(before) is not { } swapped) break;
            columns = swapped;
        }
        var isLevel = Unevenness(columns) <= MostUneven;
        return new([.. columns.Select(c => c.Order().ToImmutableArray())],
            isLevel ? [.. WidthsOf(columns)] : [.. Enumerable.Repeat(Affine.Part(1.0 / count, gutterPx), count)], isLevel);

        // Level at the height H where every column's pictures and fixed px add up to it, and the widths with their gutters to the container:
        // H = (c − (m−1)·g + Σ B_j/S_j) / Σ 1/S_j, w_j = (H − B_j)/S_j, with S_j = Σ 1/aᵢ.
        List<Affine> WidthsOf(List<List<int>> all)
        {
            var s = all.Select(c => c.Sum(i => 1 / shapes[i])).ToList();
            var b = all.Select(c => c.Sum(i => belowPx[i]) + Math.Max(0, c.Count - 1) * gutterPx).ToList();
            var inverse = s.Sum(x => 1 / x);
            var height = new Affine(1 / inverse, (b.Zip(s, (fixedPx, x) => fixedPx / x).Sum() - (count - 1) * gutterPx) / inverse);
            return [.. s.Select((x, j) => 1 / x * (height - Affine.Px(b[j])))];
        }

        double Unevenness(List<List<int>> all)
        {
            if (all.Any(c => c.Count == 0)) return double.PositiveInfinity;
            var (widths, worst) = (WidthsOf(all), 0.0);
            foreach (var container in new[] { narrowestPx, widestPx })
            {
                var equal = (container - (count - 1) * gutterPx) / count;
                worst = Math.Max(worst, widths.Max(w => Math.Abs(w.At(container) / equal - 1)));
            }
            return worst;
        }

        List<List<int>>? BestSwap(double than)
        {
            var widths = WidthsOf(columns).Select(w => w.At((narrowestPx + widestPx) / 2)).ToList();
            // The column that is too full is the narrowest: something of it changes places with something of the widest, or moves there.
            var (full, empty) = (widths.IndexOf(widths.Min()), widths.IndexOf(widths.Max()));
            List<List<int>>? best = null;
            foreach (var mine in columns[full])
            {
                foreach (var theirs in columns[empty].Append(-1))
                {
                    var tried = columns.Select((c, j) => j == full ? With(c, mine, theirs) : j == empty ? With(c, theirs, mine) : c).ToList();
                    var uneven = Unevenness(tried);
                    if (uneven < than - 1e-9) (best, than) = (tried, uneven);
                }
            }
            return best;
        }

        static List<int> With(List<int> column, int gone, int come) => [.. column.Where(i => i != gone), .. come >= 0 ? new[] { come } : []];
    }

    private static List<List<int>> InOrder(IReadOnlyList<double> shapes, IReadOnlyList<double> belowPx, int count, double gutterPx, double containerPx)
    {
        var columns = Enumerable.Range(0, count).Select(_ => new List<int>()).ToList();
        var heights = new double[count];
        var width = (containerPx - (count - 1) * gutterPx) / count;
        for (var i = 0; i < shapes.Count; i++)
        {
            var j = Array.IndexOf(heights, heights.Min());
            columns[j].Add(i);
            heights[j] += width / shapes[i] + belowPx[i] + gutterPx;
        }
        return columns;
    }
}
