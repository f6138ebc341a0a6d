namespace Dekoro.Core.Twins;

/// <summary>Lays two pictures on each other, mirrored or not, one of them a little cut or not.</summary>
/// <remarks>Normalised cross-correlation (Lewis 1995) of light on small copies.</remarks>
public static class TwinComparison
{
    /// <summary>Most that one may have lost across or down.</summary>
    private const double MostCut = 0.1,
        CutStep = 0.02;

    /// <summary>How much two shapes may differ by rounding alone.</summary>
    private const double ShapeSlack = 0.012;

    /// <summary>Cells on a side: to find where one lies on the other, and to compare them there.</summary>
    private const int Coarse = 16,
        Fine = 32;

    /// <summary>Cells on each side whose mean is taken away for the detail.</summary>
    private const int Around = 3;

    private static readonly double[] FineSteps = [0.01, 0.005, 0.0025];

    /// <returns>Null where neither can be a little less of the other, by their shapes.</returns>
    public static TwinMatch? Of(Look a, Look b)
    {
        var shapes = b.Shape.Value / a.Shape.Value;
        var tries = new[] { false, true }.SelectMany(mirrored =>
            new[] { false, true }.Select(swapped =>
                swapped
                    ? Best(b.Copy, a.Copy, 1 / shapes, mirrored) with
                    {
                        IsSwapped = true,
                    }
                    : Best(a.Copy, b.Copy, shapes, mirrored)
            )
        );
        var (window, _, mirrored, swapped) = tries.MaxBy(t => t.Light);
        if (window is not { } found)
            return null;
        var (whole, part) = swapped ? (b.Copy, a.Copy) : (a.Copy, b.Copy);
        found = Refined(whole, found, part, mirrored);
        return swapped
            ? Told(a.Copy, View.Whole, b.Copy, found, mirrored)
            : Told(a.Copy, found, b.Copy, View.Whole, mirrored);
    }

    /// <param name="Window">Of the whole; null where no window has the part's shape.</param>
    /// <param name="IsSwapped">The first is the part.</param>
    private readonly record struct Laid(View? Window, double Light, bool IsMirrored, bool IsSwapped = false);

    /// <summary>The window of the whole that looks most like all of a part.</summary>
    private static Laid Best(SmallCopy whole, SmallCopy part, double shapes, bool mirrored)
    {
        var seen = Turned(part.Light.Cells(View.Whole, Coarse, Coarse), Coarse, mirrored);
        var best = new Laid(null, -2, mirrored);
        foreach (var window in Windows(shapes))
        {
            var light = Correlation(whole.Light.Cells(window, Coarse, Coarse), seen);
            if (light > best.Light)
                best = best with { Window = window, Light = light };
        }
        return best;
    }

    private static View Refined(SmallCopy whole, View window, SmallCopy part, bool mirrored)
    {
        var seen = Turned(part.Light.Cells(View.Whole, Fine, Fine), Fine, mirrored);
        return FineSteps.Aggregate(window, (best, step) =>
            Beside(best, step).MaxBy(w => Correlation(whole.Light.Cells(w, Fine, Fine), seen))
        );
    }

    /// <summary>Windows of the right shape, in steps.</summary>
    private static IEnumerable<View> Windows(double shapes)
    {
        for (var across = 0.0; across <= MostCut + 1e-9; across += CutStep)
        {
            var down = 1 - (1 - across) / shapes;
            if (down < -ShapeSlack || down > MostCut + ShapeSlack)
                continue;
            down = Math.Max(0, down);
            for (var left = 0.0; left <= across + 1e-9; left += CutStep)
            for (var top = 0.0; top <= down + 1e-9; top += CutStep)
                yield return new(left, top, 1 - across, 1 - down);
        }
    }

    private static IEnumerable<View> Beside(View at, double step) =>
        from left in new[] { -step, 0, step }
        from top in new[] { -step, 0, step }
        from larger in new[] { -step, 0, step }
        let view = new View(at.Left + left, at.Top + top, at.Width + larger, at.Height + larger)
        where view.IsInside
        select view;

    private static TwinMatch Told(SmallCopy first, View inFirst, SmallCopy second, View inSecond, bool mirrored)
    {
        double[] Of(SummedArea plane) => plane.Cells(inFirst, Fine, Fine);
        double[] With(SummedArea plane) => Turned(plane.Cells(inSecond, Fine, Fine), Fine, mirrored);
        var (one, two) = (Of(first.Light), With(second.Light));
        var (detail, other) = (Detail(one), Detail(two));
        return new(
            inFirst,
            inSecond,
            mirrored,
            Correlation(one, two),
            Correlation(detail, other),
            Math.Sqrt(detail.Average(v => v * v)),
            Of(first.Opacity).Zip(With(second.Opacity), (x, y) => Math.Abs(x - y)).Average(),
            [.. first.Channels.Zip(second.Channels, (x, y) => ToneFit.Of(Of(x), With(y), Fine))]
        );
    }

    /// <summary>What is left of cells without the mean of those around each.</summary>
    private static double[] Detail(double[] cells)
    {
        var means = new SummedArea([.. cells.Select(v => (float)v)], Fine, Fine);
        return
        [
            .. cells.Select(
                (v, i) =>
                {
                    var (x, y) = (i % Fine, i / Fine);
                    var (left, right) = (Math.Max(0, x - Around), Math.Min(Fine, x + Around + 1));
                    return v - means.Mean(left, Math.Max(0, y - Around), right, Math.Min(Fine, y + Around + 1));
                }
            ),
        ];
    }

    private static double[] Turned(double[] cells, int side, bool mirrored)
    {
        for (var row = 0; mirrored && row < side; row++)
            Array.Reverse(cells, row * side, side);
        return cells;
    }

    /// <returns>From -1 to 1; 0 where either is the same all over.</returns>
    private static double Correlation(double[] a, double[] b)
    {
        var (meanA, meanB) = (Mean(a), Mean(b));
        var (both, one, two) = (0.0, 0.0, 0.0);
        for (var i = 0; i < a.Length; i++)
        {
            var (x, y) = (a[i] - meanA, b[i] - meanB);
            both += x * y;
            one += x * x;
            two += y * y;
        }
        return one * two <= 1e-9 ? 0 : both / Math.Sqrt(one * two);
    }

    private static double Mean(double[] values)
    {
        var sum = 0.0;
        foreach (var value in values)
            sum += value;
        return sum / values.Length;
    }
}
