using Dekoro.Core.Editing;

namespace Dekoro.Server.Contracts;

/// <summary>What a picture under edits is, without keeping it.</summary>
/// <param name="FrameWidth">Of what a cut is drawn on, the edited picture before its cut: px of the original.</param>
/// <param name="Map">From px of the original to px of the edited picture, as CSS writes a matrix.</param>
/// <param name="FrameMap">The same to px of what a cut is drawn on.</param>
public sealed record RoomResponse(
    EditsResponse Edits,
    int Width,
    int Height,
    double FrameWidth,
    double FrameHeight,
    PictureMap Map,
    PictureMap FrameMap,
    Box? Keep,
    IReadOnlyList<CutInUse> Cuts,
    IReadOnlyList<ShapeResponse> Shapes
);
