using Dekoro.Storage;

namespace Dekoro.Server.Contracts;

/// <summary>How far a picture is on its way to the archive.</summary>
/// <param name="Sentence">Why it waits still, or was refused; empty for nothing to say.</param>
/// <param name="NextAt">When it is tried again; null where it is not.</param>
/// <param name="HandedAt">Null while it is not there.</param>
/// <param name="HasOtherWords">The library has other words than were handed over.</param>
public sealed record DepositResponse(
    DepositState State,
    string Sentence,
    string AskedBy,
    DateTimeOffset? NextAt,
    DateTimeOffset? HandedAt,
    bool HasOtherWords
);
