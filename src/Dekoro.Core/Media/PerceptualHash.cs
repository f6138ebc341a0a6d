using System.Numerics;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Media;

/// <summary>
/// What a picture looks like, in 64 bits: of a grey copy 9 px wide and 8 high, whether each px is darker than its right
/// neighbour. Scaling and another encoding hardly change it.
/// </summary>
/// <param name="Bits">Row by row, the first comparison in the lowest bit.</param>
/// <param name="MirroredBits">The same of the picture with left and right exchanged.</param>
/// <remarks>A difference hash; distances are Hamming's.</remarks>
public readonly record struct PerceptualHash(ulong Bits, ulong MirroredBits)
{
    /// <summary>The grid of grey that neighbours are compared in, 8 by 8 of them.</summary>
    public const int GridWidth = 9,
        GridHeight = 8;

    /// <summary>Most bits in which two pictures differ that look the same.</summary>
    public const int MaxApart = 8;

    /// <summary>Most by which their shapes differ, as a share.</summary>
    public const double MaxShapeApart = 0.03;

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

    /// <summary>True where two pictures look the same.</summary>
    public static bool AreTwins(PerceptualHash a, AspectRatio shapeA, PerceptualHash b, AspectRatio shapeB) =>
        a.ApartFrom(b) <= MaxApart && Math.Abs(Math.Log(shapeA.Value / shapeB.Value)) <= Math.Log(1 + MaxShapeApart);
}
