namespace Dekoro.Core.Arrangements;

/// <summary>An arrangement, or the field that keeps the values from being one and what is allowed there.</summary>
public sealed record ArrangementReading(Arrangement? Arrangement, string? Field, string? Sentence);
