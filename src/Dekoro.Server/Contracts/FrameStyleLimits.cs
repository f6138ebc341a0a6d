namespace Dekoro.Server.Contracts;

/// <summary>How much a look may be of anything.</summary>
public sealed record FrameStyleLimits(int MostLinePx, int MostPaddingPx, int MostRoundPx, int MostShadowPx);
