namespace Dekoro.Server.Contracts;

/// <param name="Window">The cut, as fractions of the straightened frame.</param>
public sealed record EditsResponse(
    int QuarterTurns,
    bool IsMirrored,
    double StraightenDeg,
    Box Window,
    AdjustmentsResponse Adjustments
);
