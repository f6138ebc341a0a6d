using Dekoro.Intake;

namespace Dekoro.Server.Contracts;

/// <summary>A catalogue's entries that a search finds.</summary>
public sealed record ArchiveResponse(
    string Address,
    string Label,
    string Summary,
    int Total,
    int All,
    IReadOnlyList<ArchiveLine> Items,
    IReadOnlyList<ArchiveChoice> Choices,
    IReadOnlyList<LeftOut> LeftOut
);
