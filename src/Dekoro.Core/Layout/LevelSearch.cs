using Dekoro.Core.Responsive;

namespace Dekoro.Core.Layout;

/// <summary>
/// Looks for the columns whose widths have to differ least for all to end level: first in order, then by exchanges.
/// </summary>
/// <param name="belowPx">What stands below each picture in its column whatever its width, CSS px.</param>
internal sealed class LevelSearch(
    IReadOnlyList<double> shapes,
    IReadOnlyList<double> belowPx,
    int count,
    double gutterPx,
    double narrowestPx,
    double widestPx
)
{
    private const int MaxSwaps = 200;

    private double MiddlePx => (narrowestPx + widestPx) / 2;

    public List<List<int>> Best()
    {
        var columns = InOrder();
        for (var i = 0; i < MaxSwaps && UnevennessOf(columns) > LevelColumns.MaxUneven; i++)
        {
            if (BestSwap(columns) is not { } swapped)
                break;
            columns = swapped;
        }
        return columns;
    }

    /// <summary>
    /// Level at the height H where every column's pictures and fixed px add up to it, and the widths with their
    /// gutters to the container: H = (c − (m−1)·g + Σ B_j/S_j) / Σ 1/S_j, w_j = (H − B_j)/S_j, with S_j = Σ 1/aᵢ.
    /// </summary>
    public List<Affine> WidthsOf(List<List<int>> columns)
    {
        var s = columns.Select(c => c.Sum(i => 1 / shapes[i])).ToList();
        var b = columns.Select(c => c.Sum(i => belowPx[i]) + Math.Max(0, c.Count - 1) * gutterPx).ToList();
        var inverse = s.Sum(x => 1 / x);
        var height = new Affine(
            1 / inverse,
            (b.Zip(s, (fixedPx, x) => fixedPx / x).Sum() - (count - 1) * gutterPx) / inverse
        );
        return [.. s.Select((x, j) => 1 / x * (height - Affine.Px(b[j])))];
    }

    /// <summary>The most by which a width lies from that of equal columns, at either end, as a share.</summary>
    public double UnevennessOf(List<List<int>> columns)
    {
        if (columns.Any(c => c.Count == 0))
            return double.PositiveInfinity;
        var (widths, worst) = (WidthsOf(columns), 0.0);
        foreach (var container in new[] { narrowestPx, widestPx })
        {
            var equal = (container - (count - 1) * gutterPx) / count;
            worst = Math.Max(worst, widths.Max(w => Math.Abs(w.At(container) / equal - 1)));
        }
        return worst;
    }

    private List<List<int>> InOrder()
    {
        var columns = Enumerable.Range(0, count).Select(_ => new List<int>()).ToList();
        var heights = new double[count];
        var width = (MiddlePx - (count - 1) * gutterPx) / count;
        for (var i = 0; i < shapes.Count; i++)
        {
            var j = Array.IndexOf(heights, heights.Min());
            columns[j].Add(i);
            heights[j] += width / shapes[i] + belowPx[i] + gutterPx;
        }
        return columns;
    }

    /// <summary>
    /// The column that is too full is the narrowest: something of it changes places with something of the widest, or
    /// moves there.
    /// </summary>
    /// <returns>Null where no exchange gains anything.</returns>
    private List<List<int>>? BestSwap(List<List<int>> columns)
    {
        var widths = WidthsOf(columns).Select(w => w.At(MiddlePx)).ToList();
        var (full, empty) = (widths.IndexOf(widths.Min()), widths.IndexOf(widths.Max()));
        var (best, least) = ((List<List<int>>?)null, UnevennessOf(columns));
        foreach (var mine in columns[full])
        {
            foreach (var theirs in columns[empty].Append(-1))
            {
                var tried = columns.Select((c, j) => Swapped(c, j, mine, theirs)).ToList();
                var uneven = UnevennessOf(tried);
                if (uneven < least - 1e-9)
                    (best, least) = (tried, uneven);
            }
        }
        return best;

        List<int> Swapped(List<int> column, int j, int mine, int theirs) =>
            j == full ? With(column, mine, theirs)
            : j == empty ? With(column, theirs, mine)
            : column;
    }

    private static List<int> With(List<int> column, int gone, int come) =>
        [.. column.Where(i => i != gone), .. come >= 0 ? new[] { come } : []];
}
