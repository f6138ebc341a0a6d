namespace Dekoro.Core.Colour;

/// <summary>How two colours of a site go together.</summary>
/// <param name="What">Which words over what.</param>
public sealed record ColourPair(string What, Contrast Contrast);
