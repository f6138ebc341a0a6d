namespace Dekoro.Server.Contracts;

/// <param name="Version">To go on from with what was sent.</param>
/// <param name="Joined">Where another's changes were kept meanwhile: the page with both, to go on from instead.</param>
public sealed record DraftKept(long Version, string State, DateTimeOffset ChangedAt, Draft? Joined);
