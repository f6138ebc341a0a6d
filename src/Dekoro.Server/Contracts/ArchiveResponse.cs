using Dekoro.Intake;

namespace Dekoro.Server.Contracts;

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
