using Dekoro.Core.Delivery;

namespace Dekoro.Server.Contracts;

/// <param name="Word">sharp, soft or coarse.</param>
/// <param name="PxPerCssPx">Px in the cut that count for each CSS px of the place.</param>
public sealed record FitResponse(
    double SlotCssPx,
    FitWord Word,
    FitReason Reason,
    double PxPerCssPx,
    long Bytes,
    double SharpUpToCssPx
);
