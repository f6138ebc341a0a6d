using System.Collections.Immutable;

namespace Dekoro.Intake;

/// <param name="Found">Positions in the catalogue, in its order.</param>
/// <param name="Choices">Fields with few values, each with how many of the search it would leave.</param>
public sealed record ArchiveFindings(ImmutableArray<int> Found, ImmutableArray<ArchiveChoice> Choices);
