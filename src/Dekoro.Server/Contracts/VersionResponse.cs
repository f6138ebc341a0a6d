namespace Dekoro.Server.Contracts;

/// <param name="Number">0 is the original.</param>
/// <param name="Picture">Names its proofs.</param>
public sealed record VersionResponse(
    int Number,
    string Picture,
    string What,
    EditsResponse Edits,
    int Width,
    int Height,
    bool IsInUse,
    DateTimeOffset MadeAt
);
