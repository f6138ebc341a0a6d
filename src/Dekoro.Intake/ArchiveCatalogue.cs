using System.Collections.Immutable;

namespace Dekoro.Intake;

/// <param name="LeftOut">Parts that did not answer, or not with what was asked.</param>
public sealed record ArchiveCatalogue(
    Uri Address,
    string Label,
    string Summary,
    ImmutableArray<ArchiveEntry> Entries,
    ImmutableArray<LeftOut> LeftOut
);
