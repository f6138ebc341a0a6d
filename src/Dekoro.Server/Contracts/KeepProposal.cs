namespace Dekoro.Server.Contracts;

/// <param name="Page">The page the words go to; null for a new one.</param>
/// <param name="NewKind">page or post, where a new one is to be made; null where only the pictures are taken.</param>
/// <param name="After">The piece they follow; null for the end.</param>
public sealed record KeepProposal(
    IReadOnlyList<ChosenPicture> Pictures,
    string? Page = null,
    string? NewKind = null,
    string? NewTitle = null,
    string? After = null
);
