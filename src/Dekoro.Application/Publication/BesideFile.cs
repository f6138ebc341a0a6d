namespace Dekoro.Application.Publication;

/// <summary>A file beside the pages.</summary>
/// <param name="Content">A name for what is in it: another where it has changed.</param>
internal sealed record BesideFile(string Address, string Content, Func<Task<SiteFile>> FileAsync);
