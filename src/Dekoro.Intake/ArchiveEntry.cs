using System.Collections.Immutable;

namespace Dekoro.Intake;

/// <summary>A picture an archive offers.</summary>
/// <param name="Manifest">Where it is described; kept as its source.</param>
/// <param name="Rights">The address of its licence or rights statement; empty where it has none.</param>
/// <param name="WidthPx">0 where the archive does not say.</param>
public sealed record ArchiveEntry(
    Uri Manifest,
    string Label,
    string Summary,
    ImmutableArray<ArchiveField> Fields,
    string Credit,
    string Rights,
    Uri Picture,
    Uri Thumbnail,
    int WidthPx,
    int HeightPx
);
