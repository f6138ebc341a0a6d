namespace Dekoro.Storage;

/// <summary>What people wrote of a page.</summary>
/// <param name="Path">Its address under the site, without slashes at the ends.</param>
/// <param name="Json">The document, as it is kept.</param>
public sealed record DraftText(string Title, string Path, string Summary, string Json);
