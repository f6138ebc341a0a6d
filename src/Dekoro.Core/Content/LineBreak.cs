namespace Dekoro.Core.Content;

/// <summary>A new line in the same paragraph.</summary>
public sealed record LineBreak : Inline;
