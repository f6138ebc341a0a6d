using System.Numerics;

namespace Dekoro.Core.Twins;

/// <summary>
/// What a picture looks like, told twice: of a grey copy 9 px wide and 8 high, whether each px is darker than its right
/// neighbour; and of one of 32 × 32 px, whether each of its slowest waves begins light or dark. Scaling and another
/// encoding hardly change either.
/// </summary>
/// <param name="Bits">Row by row, the first comparison in the lowest bit.</param>
/// <param name="MirroredBits">The same of the picture with left and right exchanged.</param>
/// <param name="Waves">
/// Signs of the low terms of a discrete cosine transform, row by row; the lowest bit is not used.
/// </param>
/// <remarks>A difference hash, and a hash of low DCT terms; distances are Hamming's.</remarks>
public readonly record struct PerceptualHash(ulong Bits, ulong MirroredBits, ulong Waves)
{
    /// <summary>The grid of grey that neighbours are compared in, 8 by 8 of them.</summary>
    public const int GridWidth = 9,
        GridHeight = 8;

    /// <summary>Side of the square of grey that waves are told from.</summary>
    public const int SquareSide = 32;

    /// <summary>
    /// Where one way of telling is sure, the other need not be: most bits, and most waves, in which two may differ.
    /// </summary>
    private const int Few = HashTable.SureBits,
        ManyBits = 20,
        ManyWaves = 18;

    /// <summary>
    /// A picture that is nearly the same all over says too little: so many neighbours differ by so many of 255 steps at
    /// least.
    /// </summary>
    private const int LeastStep = 1,
        LeastSteps = 12;

    private const int Side = 8;

    /// <summary>Waves that turn round when left and right are exchanged.</summary>
    private const ulong OddAcross = 0xAAAA_AAAA_AAAA_AAAA;

    private static readonly double[] Cosines =
    [
        .. Enumerable
            .Range(0, Side * SquareSide)
            .Select(i => Math.Cos((i % SquareSide + 0.5) * (i / SquareSide) * Math.PI / SquareSide)),
    ];

    /// <param name="grey">Row by row, <see cref="GridWidth"/> × <see cref="GridHeight"/> values, 0 to 255.</param>
    /// <param name="square">Row by row, <see cref="SquareSide"/> × <see cref="SquareSide"/> values.</param>
    /// <returns>Null for a picture that says too little to be told from others.</returns>
    public static PerceptualHash? Of(ReadOnlySpan<double> grey, ReadOnlySpan<double> square)
    {
        var (bits, mirrored, steps) = (0UL, 0UL, 0);
        for (var i = 0; i < Side * Side; i++)
        {
            var (row, column) = (i / Side * GridWidth, i % Side);
            var step = grey[row + column + 1] - grey[row + column];
            if (step > 0)
                bits |= 1UL << i;
            if (grey[row + 8 - column] < grey[row + 7 - column])
                mirrored |= 1UL << i;
            steps += Math.Abs(step) >= LeastStep ? 1 : 0;
        }
        return steps < LeastSteps ? null : new(bits, mirrored, WavesOf(square));
    }

    private static ulong WavesOf(ReadOnlySpan<double> square)
    {
        // Along the rows first, then down the columns.
        Span<double> rows = stackalloc double[SquareSide * Side];
        for (var y = 0; y < SquareSide; y++)
        for (var across = 0; across < Side; across++)
        for (var x = 0; x < SquareSide; x++)
            rows[y * Side + across] += square[y * SquareSide + x] * Cosines[across * SquareSide + x];
        var waves = 0UL;
        for (var i = 1; i < Side * Side; i++)
        {
            var sum = 0.0;
            for (var y = 0; y < SquareSide; y++)
                sum += rows[y * Side + i % Side] * Cosines[i / Side * SquareSide + y];
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

    /// <summary>Waves of the picture with left and right exchanged.</summary>
    internal ulong MirroredWaves => Waves ^ OddAcross;

    /// <summary>In how many waves they differ, mirrored or not.</summary>
    public int WavesApartFrom(PerceptualHash other) =>
        Math.Min(BitOperations.PopCount(Waves ^ other.Waves), BitOperations.PopCount(MirroredWaves ^ other.Waves));

    /// <summary>True where two pictures may look the same: their copies are compared then.</summary>
    public bool IsNear(PerceptualHash other)
    {
        var (bits, waves) = (ApartFrom(other), WavesApartFrom(other));
        return bits <= Few && waves <= ManyWaves || waves <= Few && bits <= ManyBits;
    }
}
