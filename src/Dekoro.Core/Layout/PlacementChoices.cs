namespace Dekoro.Core.Layout;

/// <summary>
/// What of a figure's placement a person may choose at its size: what the layout would not heed is not offered.
/// </summary>
/// <param name="Side">Whether it may stand left, right or in the middle.</param>
/// <param name="Beside">Whether text may run beside it, where there is room for a line.</param>
public sealed record PlacementChoices(bool Side, bool Beside);
