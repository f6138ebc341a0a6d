namespace Dekoro.Core.Content;

/// <param name="Words">What it is called here; null takes the library's title.</param>
public sealed record ListedFile(string FileId, string? Words);
