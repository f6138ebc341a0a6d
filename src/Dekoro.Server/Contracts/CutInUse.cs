using Dekoro.Core.Checks;

namespace Dekoro.Server.Contracts;

/// <summary>A cut of the picture as a place uses it.</summary>
/// <param name="Size">As people say it.</param>
public sealed record CutInUse(
    string PageId,
    string PageTitle,
    string BlockId,
    string Size,
    string? Shape,
    TrialPlacementResponse Look,
    Remedy? Remedy
);
