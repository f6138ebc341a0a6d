using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>A picture standing somewhere: what a ladder needs to know of it.</summary>
/// <param name="Slot">Nothing on the classes where it is not shown.</param>
/// <param name="On">The classes where it is.</param>
public sealed record Place(string PageId, string BlockId, string AssetId, Cut Cut, SlotWidth Slot, PerClass<bool> On);
