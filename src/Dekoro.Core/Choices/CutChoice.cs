using Dekoro.Core.Geometry;

namespace Dekoro.Core.Choices;

/// <summary>Which part of its picture a place shows.</summary>
/// <param name="Shape">Null: as is.</param>
/// <param name="Drawn">A window drawn by hand on one picture; for that picture it wins over the shape, which holds for
/// any other.</param>
public readonly record struct CutChoice(AspectRatio? Shape, DrawnCut? Drawn = null)
{
    /// <summary>The whole picture in its own shape.</summary>
    public static CutChoice AsIs { get; }

    /// <returns>The window drawn by hand on this picture; null for none.</returns>
    public FocalRegion? DrawnOn(string assetId) => Drawn is { } drawn && drawn.AssetId == assetId ? drawn.Box : null;

    /// <summary>True where the picture stands whole.</summary>
    public bool IsAsIs(string assetId) => Shape is null && DrawnOn(assetId) is null;
}
