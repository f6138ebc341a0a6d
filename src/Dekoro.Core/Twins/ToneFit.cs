namespace Dekoro.Core.Twins;

/// <summary>How one channel of a picture became that of another, if it was only tinted or brightened.</summary>
/// <param name="Gain">Steps of the second for each of the first; 1 where the first is the same all over.</param>
/// <param name="Change">Difference of their means, in steps of 255.</param>
/// <param name="Unlike">What is left in the part where they differ most beside that, in steps of 255.</param>
public sealed record ToneFit(double Gain, double Change, double Unlike)
{
    /// <summary>Tones that were cut off at either end say nothing.</summary>
    private const double Darkest = 6,
        Lightest = 200;

    private const double LeastVariance = 4;
    private const int PartCells = 4,
        LeastInPart = 8;

    /// <param name="a">Row by row, of a square.</param>
    internal static ToneFit Of(double[] a, double[] b, int side)
    {
        var said = Enumerable.Range(0, a.Length).Where(i => Says(a[i]) && Says(b[i])).ToList();
        var change = b.Average() - a.Average();
        if (said.Count < LeastInPart)
            return new(1, change, 0);
        var (meanA, meanB) = (said.Average(i => a[i]), said.Average(i => b[i]));
        var variance = said.Average(i => (a[i] - meanA) * (a[i] - meanA));
        var gain = variance < LeastVariance ? 1 : said.Average(i => (a[i] - meanA) * (b[i] - meanB)) / variance;
        var unlike = said.GroupBy(i => (i / side / PartCells, i % side / PartCells))
            .Where(part => part.Count() >= LeastInPart)
            .Select(part => part.Average(i => Math.Abs(b[i] - meanB - gain * (a[i] - meanA))));
        return new(gain, change, unlike.DefaultIfEmpty(0).Max());
    }

    private static bool Says(double tone) => tone is > Darkest and < Lightest;
}
