namespace Dekoro.Application.Drafts;

/// <summary>What publishing would do to one page.</summary>
/// <param name="Change">new, changed, off (taken from the public site).</param>
/// <param name="Why">Of one that changes: parts of a sentence.</param>
/// <param name="IsStyleAlone">It changes by nothing but what is set for the whole site.</param>
/// <param name="Notices">Sentences about pieces of it.</param>
public sealed record PageChange(
    string Id,
    string Title,
    string Path,
    string Change,
    IReadOnlyList<string> Why,
    bool IsStyleAlone,
    IReadOnlyList<string> Notices
);
