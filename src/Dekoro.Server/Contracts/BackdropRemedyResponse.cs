using Dekoro.Core.Choices;
using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <param name="Tint">#rrggbb.</param>
/// <param name="Strength">For each class of screen.</param>
public sealed record BackdropRemedyResponse(WordsTone Words, string Tint, PerClass<int> Strength);
