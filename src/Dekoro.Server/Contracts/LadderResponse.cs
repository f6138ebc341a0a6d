using Dekoro.Core.Geometry;

namespace Dekoro.Server.Contracts;

/// <summary>The files made of a picture in one cut, for all its places on the site.</summary>
/// <param name="WorstRatio">Over its places, the largest expected bytes / bytes of files of exactly the size
/// wanted.</param>
/// <param name="RatioOfOther">The same for the widths it is compared with; null where none were given.</param>
public sealed record LadderResponse(
    string Title,
    Cut Cut,
    int Places,
    IReadOnlyList<int> WidthsPx,
    double WorstRatio,
    double? RatioOfOther
);
