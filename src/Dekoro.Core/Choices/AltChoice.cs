namespace Dekoro.Core.Choices;

/// <summary>The words read out in a picture's place.</summary>
/// <param name="Own">For this place only; null takes the library's.</param>
public sealed record AltChoice(bool Decorative, string? Own);
