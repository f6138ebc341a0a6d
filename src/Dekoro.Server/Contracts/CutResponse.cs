using Dekoro.Core.Geometry;

namespace Dekoro.Server.Contracts;

/// <summary>What a picture shows on a class of screen.</summary>
public sealed record CutResponse(
    string Asset,
    string Picture,
    string Title,
    Cut Cut,
    string Loss,
    int SourceWidth,
    int SourceHeight
);
