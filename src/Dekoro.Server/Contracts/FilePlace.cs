namespace Dekoro.Server.Contracts;

/// <param name="Size">As people say it: "a third", "320 px".</param>
/// <param name="Beside">The words that stand beside it there; empty for none.</param>
public sealed record FilePlace(
    string PageId,
    string PageTitle,
    string BlockId,
    string Size,
    string? Shape,
    string Beside
);
