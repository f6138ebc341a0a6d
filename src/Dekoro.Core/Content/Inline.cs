namespace Dekoro.Core.Content;

/// <summary>What stands in a line: words, a break, or a picture.</summary>
public abstract record Inline;
