namespace Dekoro.Core.Publication;

/// <summary>One line of a menu or of a list of posts.</summary>
/// <param name="PageId">Which page it leads to.</param>
/// <param name="Title">What visitors read.</param>
/// <param name="Path">The address it leads to.</param>
/// <param name="Dated">Of a post: its day.</param>
/// <param name="Summary">What stands beside it in a list of posts.</param>
public sealed record MenuLine(string PageId, string Title, string Path, string Summary, DateOnly? Dated = null);
