using Dekoro.Core.Geometry;

namespace Dekoro.Core.Choices;

/// <param name="Box">In fractions of the picture.</param>
public readonly record struct DrawnCut(string AssetId, FocalRegion Box);
