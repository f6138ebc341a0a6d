using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <summary>What the desk needs to know of the site.</summary>
public sealed record SiteResponse(
    string Name,
    WidthClasses Classes,
    PerClass<int> FirstScreenPx,
    IReadOnlyList<string> Shapes,
    IReadOnlyList<SizeOffer> Sizes,
    IReadOnlyList<Segment> Column,
    FigureLimits Limits,
    IReadOnlyList<RowOffer> Rows,
    int MostCells,
    string? CellShape,
    BandOffer Bands,
    IReadOnlyList<FrameStyleOffer> Looks,
    FrameStyleLimits LookLimits,
    IReadOnlyList<string> Lines,
    bool IsPublished,
    LargestFile LargestFile,
    ArrangementLimits Arrangements
);
