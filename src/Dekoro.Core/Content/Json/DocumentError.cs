namespace Dekoro.Core.Content;

/// <param name="Path">Where in the JSON, as "content[2].attrs.size".</param>
/// <param name="Sentence">What is wrong and what is allowed.</param>
public sealed record DocumentError(string Path, string Sentence);
