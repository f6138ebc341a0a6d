using System.Collections.Immutable;

namespace Dekoro.Core.Layout;

/// <summary>
/// Breaks a list of pictures into rows of one height each, over the whole list and not greedily, as paragraphs are
/// broken into lines (Knuth and Plass, Breaking paragraphs into lines, 1981).
/// </summary>
public static class RowBreaking
{
    /// <summary>
    /// A row is as high as half the height wanted, or twice; beyond that only where nothing else is possible.
    /// </summary>
    private const double MaxRatio = 2;

    /// <summary>
    /// Rows lower than this part of the height wanted are never the least evil, where more than one picture stands in
    /// them.
    /// </summary>
    private const double Hopeless = 0.2;

    /// <summary>
    /// Sum of squared log height errors is least; before that, the sum of what lies beyond half and twice.
    /// </summary>
    /// <param name="shapes">Width over height of each picture, above 0.</param>
    /// <param name="containerPx">CSS px.</param>
    /// <param name="targetPx">Height wanted, CSS px.</param>
    /// <returns>For each row the index after its last picture. O(n·k), k the longest row that is tried.</returns>
    public static ImmutableArray<int> EndsOf(
        IReadOnlyList<double> shapes,
        double containerPx,
        double targetPx,
        double gutterPx
    )
    {
        var n = shapes.Count;
        if (n == 0)
            return [];
        var sums = new double[n + 1];
        for (var i = 0; i < n; i++)
            sums[i + 1] = sums[i] + shapes[i];
        var (beyond, cost, from) = (new double[n + 1], new double[n + 1], new int[n + 1]);
        var most = Math.Log(MaxRatio);
        for (var end = 1; end <= n; end++)
        {
            (beyond[end], cost[end]) = (double.PositiveInfinity, double.PositiveInfinity);
            for (var start = end - 1; start >= 0; start--)
            {
                var height = (containerPx - (end - start - 1) * gutterPx) / (sums[end] - sums[start]);
                if (end - start > 1 && height < Hopeless * targetPx)
                    break;
                // A last row is never stretched beyond the height wanted.
                var error = Math.Log(
                    Math.Max(double.Epsilon, end == n ? Math.Min(height, targetPx) : height) / targetPx
                );
                var (over, sum) = (beyond[start] + Math.Max(0, Math.Abs(error) - most), cost[start] + error * error);
                if (over < beyond[end] - 1e-9 || (over < beyond[end] + 1e-9 && sum < cost[end]))
                    (beyond[end], cost[end], from[end]) = (over, sum, start);
            }
        }
        var ends = new List<int>();
        for (var end = n; end > 0; end = from[end])
            ends.Add(end);
        ends.Reverse();
        return [.. ends];
    }

    /// <summary>The rival: a row is full as soon as it is no higher than wanted.</summary>
    public static ImmutableArray<int> GreedyEndsOf(
        IReadOnlyList<double> shapes,
        double containerPx,
        double targetPx,
        double gutterPx
    )
    {
        var (ends, start, sum) = (ImmutableArray.CreateBuilder<int>(), 0, 0.0);
        for (var i = 0; i < shapes.Count; i++)
        {
            sum += shapes[i];
            if ((containerPx - (i - start) * gutterPx) / sum > targetPx && i + 1 < shapes.Count)
                continue;
            ends.Add(i + 1);
            (start, sum) = (i + 1, 0);
        }
        return ends.ToImmutable();
    }

    /// <summary>Sum of squared log height errors over all rows but the last, which is never stretched.</summary>
    public static double ErrorOf(
        IReadOnlyList<double> shapes,
        IReadOnlyList<int> ends,
        double containerPx,
        double targetPx,
        double gutterPx
    )
    {
        var (sum, start) = (0.0, 0);
        foreach (var end in ends)
        {
            var height = (containerPx - (end - start - 1) * gutterPx) / shapes.Skip(start).Take(end - start).Sum();
            var error = Math.Log((end == shapes.Count ? Math.Min(height, targetPx) : height) / targetPx);
            sum += error * error;
            start = end;
        }
        return sum;
    }
}
