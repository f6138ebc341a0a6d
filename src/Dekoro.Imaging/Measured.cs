using System.Collections.Immutable;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Imaging;

/// <summary>What is measured once on the pixels of a picture that comes in.</summary>
/// <param name="Sharpness">Variance of the Laplacian of luminance / variance of luminance, on a copy of 512 px.</param>
/// <param name="Colours">Names of the colours it shows, most first.</param>
/// <param name="IsDoubtful">The decoder got to the end, but complained on the way: parts of the picture may be
/// wrong.</param>
public sealed record Measured(
    BytesModel Bytes,
    double Sharpness,
    FocalRegion KeepGuess,
    PerceptualHash Look,
    ImmutableArray<string> Colours,
    bool IsDoubtful
);
