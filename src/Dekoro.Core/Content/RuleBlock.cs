namespace Dekoro.Core.Content;

/// <summary>A line across the column.</summary>
public sealed record RuleBlock(string Id) : Block(Id);
