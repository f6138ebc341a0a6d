using Dekoro.Core.Geometry;

namespace Dekoro.Server.Contracts;

/// <summary>The picture in one of the site's shapes.</summary>
/// <param name="Loss">What the shape takes from the keep area, in words; empty for nothing.</param>
public sealed record ShapeResponse(string Shape, Cut Cut, string Loss);
