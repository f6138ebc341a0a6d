using Dekoro.Core.Checks;
using Dekoro.Core.Delivery;
using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <summary>How a picture of an arrangement fits where that reaches furthest.</summary>
/// <param name="Worst">On any class of screen.</param>
/// <param name="Loss">What its cut takes from the keep area, in words; empty for nothing.</param>
public sealed record ItemFit(FitWord Worst, PerClass<FitResponse?> Fits, Remedy? Remedy, string Loss);
