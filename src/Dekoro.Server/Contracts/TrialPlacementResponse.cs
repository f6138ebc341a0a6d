using Dekoro.Core.Geometry;

namespace Dekoro.Server.Contracts;

/// <summary>A picture looked at through a place.</summary>
/// <param name="Loss">What the cut takes from the keep area, in words; empty for nothing.</param>
/// <param name="Phone">Null where it is not shown on phones, and so for desktops.</param>
public sealed record TrialPlacementResponse(Cut Cut, string Loss, FitResponse? Phone, FitResponse? Desktop);
