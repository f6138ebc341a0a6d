using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Storage;

/// <summary>One version of a picture: edits over its original, and what was measured on the result.</summary>
/// <param name="Number">0 is the original.</param>
public sealed record Edition(
    int Number,
    Edits Edits,
    PixelSize Size,
    BytesModel Bytes,
    double? EdgePx,
    FocalRegion? Keep,
    bool KeepByHand,
    DateTimeOffset MadeAt
);
