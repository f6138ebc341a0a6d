namespace Dekoro.Core.Choices;

/// <summary>A look, or what keeps the values from being one.</summary>
public sealed record FrameStyleReading(FrameStyle? FrameStyle, string? Sentence);
