using Dekoro.Intake;

namespace Dekoro.Server.Contracts;

/// <param name="Index">Its position in the whole catalogue: what names it.</param>
/// <param name="Width">0 where the archive does not say.</param>
public sealed record ArchiveLine(
    int Index,
    string Label,
    string Summary,
    IReadOnlyList<ArchiveField> Fields,
    string Credit,
    string Rights,
    string Source,
    int Width,
    int Height
);
