using System.Collections.Immutable;

namespace Dekoro.Core.Arrangements;

/// <summary>
/// Where a slider or carousel comes to stand: the first picture in view at each stop. There is a dot for each.
/// </summary>
public static class SnapPositions
{
    /// <param name="count">Pictures that are shown.</param>
    /// <param name="inView">How many stand in view at once, from 1.</param>
    /// <param name="step">How many it advances by, from 1; never more than are in view.</param>
    /// <param name="loops">Whether the last stop leads on to the first.</param>
    public static ImmutableArray<int> Of(int count, int inView, int step, bool loops)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(count);
        ArgumentOutOfRangeException.ThrowIfLessThan(inView, 1);
        ArgumentOutOfRangeException.ThrowIfLessThan(step, 1);
        step = Math.Min(step, inView);
        if (count == 0)
            return [];
        if (count <= inView)
            return [0];
        var last = loops ? count - 1 : count - inView;
        return
        [
            .. Enumerable.Range(0, last / step + 1).Select(i => i * step),
            .. !loops && last % step > 0 ? new[] { last } : [],
        ];
    }
}
