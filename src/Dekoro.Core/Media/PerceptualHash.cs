using System.Numerics;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Media;

/// <summary>
/// What a picture looks like, told twice: of a grey copy 9 px wide and 8 high, whether each px is darker than its right
/// neighbour; and of one of 32 × 32 px, whether each of its slowest waves begins light or dark. Scaling and another
/// encoding hardly change either.
/// </summary>
/// <param name="Bits">Row by row, the first comparison in the lowest bit.</param>
/// <param name="MirroredBits">The same of the picture with left and right exchanged.</param>
/// <param name="Waves">
/// Signs of the low terms of a discrete cosine transform, row by row; the lowest bit is not used. Null where an earlier
/// version did not tell them.
/// </param>
/// <remarks>A difference hash, and a hash of low DCT terms; distances are Hamming's.</remarks>
public readonly record struct PerceptualHash(ulong Bits, ulong MirroredBits, ulong? Waves = null)
{
    /// <summary>The grid of grey that neighbours are compared in, 8 by 8 of them.</summary>
    public const int GridWidth = 9,
        GridHeight = 8;

    /// <summary>Side of the square of grey that waves are told from.</summary>
    public const int SquareSide = 32;

    /// <summary>Most bits in which two pictures differ that look the same.</summary>
    public const int MaxApart = 8;

    /// <summary>Most waves in which they differ.</summary>
    public const int MaxWavesApart = 16;

    /// <summary>Most by which their shapes differ, as a share.</summary>
    public const double MaxShapeApart = 0.03;

    /// <summary>
    /// A picture that is nearly the same all over says too little: so many neighbours differ by so many of 255 steps at
    /// least, in so many kinds of rows.
    /// </summary>
    private const int LeastStep = 2,
        LeastSteps = 24,
        LeastKindsOfRows = 4;

    private const int Side = 8;

    /// <summary>Waves that turn round when left and right are exchanged.</summary>
    private const ulong OddAcross = 0xAAAAAAAAAAAAAAAA;

    private static readonly double[] Cosines =
    [
        .. Enumerable
            .Range(0, Side * SquareSide)
            .Select(i => Math.Cos((i % SquareSide + 0.5) * (i / SquareSide) * Math.PI / SquareSide)),
    ];

    /// <param name="grey">Row by row, <see cref="GridWidth"/> × <see cref="GridHeight"/> values.</param>
    public static PerceptualHash Of(ReadOnlySpan<double> grey)
    {
        if (grey.Length != GridWidth * GridHeight)
            throw new ArgumentException($"A look is told from {GridWidth} × {GridHeight} values.", nameof(grey));
        var (bits, mirrored) = (0UL, 0UL);
        for (var i = 0; i < 64; i++)
        {
            var (row, column) = (i / 8 * GridWidth, i % 8);
            if (grey[row + column] < grey[row + column + 1])
                bits |= 1UL << i;
            if (grey[row + 8 - column] < grey[row + 7 - column])
                mirrored |= 1UL << i;
        }
        return new(bits, mirrored);
    }

    /// <param name="grey">As above, 0 to 255.</param>
    /// <param name="square">Row by row, <see cref="SquareSide"/> × <see cref="SquareSide"/> values.</param>
    /// <returns>Null for a picture that says too little to be told from others.</returns>
    public static PerceptualHash? Of(ReadOnlySpan<double> grey, ReadOnlySpan<double> square)
    {
        var hash = Of(grey);
        var steps = 0;
        for (var i = 0; i < 64; i++)
            steps +=
                Math.Abs(grey[i / 8 * GridWidth + i % 8 + 1] - grey[i / 8 * GridWidth + i % 8]) >= LeastStep ? 1 : 0;
        var rows = Enumerable.Range(0, Side).Select(row => (byte)(hash.Bits >> (row * Side))).Distinct().Count();
        return steps < LeastSteps || rows < LeastKindsOfRows ? null : hash with { Waves = WavesOf(square) };
    }

    private static ulong WavesOf(ReadOnlySpan<double> square)
    {
        var waves = 0UL;
        for (var i = 1; i < Side * Side; i++)
        {
            var (down, across, sum) = (i / Side * SquareSide, i % Side * SquareSide, 0.0);
            for (var at = 0; at < SquareSide * SquareSide; at++)
                sum += square[at] * Cosines[down + at / SquareSide] * Cosines[across + at % SquareSide];
            if (sum > 0)
                waves |= 1UL << i;
        }
        return waves;
    }

    /// <summary>In how many bits two looks differ, mirrored or not, whichever is least.</summary>
    public int ApartFrom(PerceptualHash other) =>
        Math.Min(
            BitOperations.PopCount(Bits ^ other.Bits),
            // Plain areas make the two ways of mirroring differ a little.
            Math.Min(
                BitOperations.PopCount(Bits ^ other.MirroredBits),
                BitOperations.PopCount(MirroredBits ^ other.Bits)
            )
        );

    /// <summary>In how many waves; none where either was not told.</summary>
    private int WavesApartFrom(PerceptualHash other) =>
        Waves is { } one && other.Waves is { } two
            ? Math.Min(BitOperations.PopCount(one ^ two), BitOperations.PopCount(one ^ two ^ OddAcross))
            : 0;

    /// <summary>True where two pictures look the same; a look that says too little is no one's.</summary>
    public static bool AreTwins(PerceptualHash? a, AspectRatio shapeA, PerceptualHash? b, AspectRatio shapeB) =>
        a is { } one
        && b is { } other
        && one.ApartFrom(other) <= MaxApart
        && one.WavesApartFrom(other) <= MaxWavesApart
        && Math.Abs(Math.Log(shapeA.Value / shapeB.Value)) <= Math.Log(1 + MaxShapeApart);
}
