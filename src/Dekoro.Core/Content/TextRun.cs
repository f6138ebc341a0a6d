namespace Dekoro.Core.Content;

/// <param name="Link">As it is written in the document (see <c>LinkReader</c>); null for none.</param>
public sealed record TextRun(string Text, bool Bold = false, bool Italic = false, string? Link = null) : Inline;
