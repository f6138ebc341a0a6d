namespace Dekoro.Server.Contracts;

/// <param name="Switches">With the first pictures of a search only, as the folders.</param>
/// <param name="NotUnderstood">Sentences about what was typed like a filter and is none.</param>
public sealed record FileList(
    long Total,
    IReadOnlyList<FileItem> Items,
    IReadOnlyList<string> Folders,
    IReadOnlyList<FilterSwitch> Switches,
    IReadOnlyList<string> NotUnderstood
);
