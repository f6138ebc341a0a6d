using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Imaging;

/// <summary>What a file says of itself before it is decoded.</summary>
public sealed record Probed(
    PictureFormat Format,
    PixelSize Size,
    int Frames,
    bool HasAlpha,
    string Colour,
    EmbeddedWords Embedded
);
