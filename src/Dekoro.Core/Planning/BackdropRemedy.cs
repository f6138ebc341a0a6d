using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>What makes the words of a band or cell readable on every screen.</summary>
/// <param name="Words">As they are, or turned where no tint does for them as they are.</param>
/// <param name="Tint">As it is, or the plain one that goes with the words.</param>
/// <param name="Strength">The least for each class.</param>
public sealed record BackdropRemedy(WordsTone Words, Srgb Tint, PerClass<int> Strength);
