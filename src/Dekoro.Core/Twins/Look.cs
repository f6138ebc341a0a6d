using Dekoro.Core.Geometry;

namespace Dekoro.Core.Twins;

/// <summary>What a picture looks like, for finding others that look the same.</summary>
/// <param name="Shape">Exactly, of the picture itself.</param>
/// <param name="Hashes">Null where it says too little to be told from others.</param>
public sealed record Look(SmallCopy Copy, AspectRatio Shape, LookHashes? Hashes)
{
    /// <summary>With its hashes, worked out of the copy.</summary>
    public static Look Of(SmallCopy copy, AspectRatio shape) => new(copy, shape, LookHashes.Of(copy));

    /// <summary>Whether two are one picture, as an index and a comparison would find it.</summary>
    public static bool AreTwins(Look a, Look b) =>
        a.Hashes is { } one && b.Hashes is { } two && one.IsNear(two) && TwinComparison.Of(a, b) is { AreTwins: true };
}
