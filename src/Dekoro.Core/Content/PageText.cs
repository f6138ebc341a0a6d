namespace Dekoro.Core.Content;

/// <summary>All that people write on a page.</summary>
public sealed record PageText(string Title, string Path, string Summary, Document Document);
