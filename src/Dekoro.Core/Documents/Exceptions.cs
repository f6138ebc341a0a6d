using Dekoro.Core.Geometry;

namespace Dekoro.Core.Documents;

/// <summary>Which part of its picture a place shows.</summary>
/// <param name="Shape">Null: as is.</param>
/// <param name="Drawn">A window drawn by hand on one picture; for that picture it wins over the shape, which holds for any other.</param>
public readonly record struct CutChoice(AspectRatio? Shape, DrawnCut? Drawn = null)
{
    public static CutChoice AsIs { get; }

    /// <returns>The window drawn by hand on this picture; null for none.</returns>
    public KeepBox? DrawnOn(string assetId) => Drawn is { } drawn && drawn.AssetId == assetId ? drawn.Box : null;

    /// <summary>True where the picture stands whole.</summary>
    public bool IsAsIs(string assetId) => Shape is null && DrawnOn(assetId) is null;
}

/// <param name="Box">In fractions of the picture.</param>
public readonly record struct DrawnCut(string AssetId, KeepBox Box);

/// <summary>What a figure has of its own on one class of screen; null is as everywhere.</summary>
/// <param name="Hidden">Neither drawn nor fetched there.</param>
/// <param name="AssetId">Another picture.</param>
public sealed record FigureException(
    bool Hidden = false, string? AssetId = null, FigureSize? Size = null, Side? Side = null, bool? TextBeside = null, CutChoice? Cut = null)
{
    public static FigureException None { get; } = new();
}
