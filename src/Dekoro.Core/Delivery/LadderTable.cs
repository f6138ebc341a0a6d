namespace Dekoro.Core.Delivery;

/// <summary>The cheapest choices among the demands of a picture, for each number of widths.</summary>
/// <param name="count">Of distinct demands.</param>
/// <param name="previous">[k][i]: where the group before the one ending at demand i ends, when k widths serve demands
/// 0..i at least cost.</param>
internal sealed class LadderTable(int count, int[][] previous)
{
    /// <param name="rounds">As many widths as are ever asked for, no more than demands.</param>
    public static LadderTable Of(LadderRatios ratios, int rounds)
    {
        var n = ratios.DemandsPx.Length;
        var sum = new double[n + 1];
        foreach (var (place, count) in ratios.Sums.Zip(ratios.Counts))
        {
            for (var i = 1; i <= n; i++)
                sum[i] += count * place[i];
        }
        var cost = new double[rounds + 1][];
        var previous = new int[rounds + 1][];
        for (var k = 1; k <= rounds; k++)
        {
            cost[k] = new double[n];
            previous[k] = new int[n];
            for (var i = 0; i < n; i++)
            {
                (cost[k][i], previous[k][i]) = (sum[i + 1] * ratios.Bytes[i], -1);
                if (k == 1)
                    continue;
                for (var j = k - 2; j < i; j++)
                {
                    var c = cost[k - 1][j] + (sum[i + 1] - sum[j + 1]) * ratios.Bytes[i];
                    if (c < cost[k][i])
                        (cost[k][i], previous[k][i]) = (c, j);
                }
            }
        }
        return new LadderTable(n, previous);
    }

    /// <returns>Numbers of the demands chosen, ascending.</returns>
    public int[] Best(int k)
    {
        var chosen = new Stack<int>();
        for (int i = count - 1, left = k; i >= 0; left--)
        {
            chosen.Push(i);
            i = previous[left][i];
        }
        return [.. chosen];
    }
}
