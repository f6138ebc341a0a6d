namespace Dekoro.Server.Contracts;

/// <summary>What a band may be.</summary>
/// <param name="TintSteps">A tint's strength counts from 0 to this.</param>
public sealed record BandOffer(IReadOnlyList<ColourOffer> Colours, int MostHeightPx, int TintSteps);
