namespace Dekoro.Server.Contracts;

/// <summary>A place in which one picture would stand instead of another.</summary>
/// <param name="Size">As people say it: "a third", "320 px".</param>
public sealed record SwapPlace(
    string PageId,
    string PageTitle,
    string BlockId,
    string Size,
    TrialPlacementResponse Before,
    TrialPlacementResponse After
);
