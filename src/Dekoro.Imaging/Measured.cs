using System.Collections.Immutable;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Twins;

namespace Dekoro.Imaging;

/// <summary>What is measured once on the pixels of a picture that comes in.</summary>
/// <param name="EdgePx">Width of its sharpest edges, px of the picture; 0 where it has too few to tell.</param>
/// <param name="KeepGuess">Round what stands out; null where nothing does.</param>
/// <param name="Colours">Names of the colours it shows, most first.</param>
/// <param name="IsDoubtful">The decoder got to the end, but complained on the way: parts of the picture may be
/// wrong.</param>
public sealed record Measured(
    BytesModel Bytes,
    double EdgePx,
    FocalRegion? KeepGuess,
    Look Look,
    ImmutableArray<string> Colours,
    bool IsDoubtful
);
