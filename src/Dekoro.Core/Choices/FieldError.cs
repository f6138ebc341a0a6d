namespace Dekoro.Core.Choices;

/// <summary>Why a value cannot be, with what is allowed.</summary>
/// <param name="Field">Its name as it is sent; empty for the whole.</param>
public sealed record FieldError(string Field, string Sentence);
