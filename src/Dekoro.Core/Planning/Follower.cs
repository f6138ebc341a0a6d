using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>A picture that takes the place of the one behind a band for a while.</summary>
/// <param name="Positions">CSS object-position on each class of screen, steered by its keep area.</param>
public sealed record Follower(FigurePlan Figure, int StayMs, PerClass<string?> Positions);
