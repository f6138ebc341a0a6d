using Dekoro.Core.Choices;
using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <summary>How far columns reach.</summary>
/// <param name="Place">Names a cell as a place to look through.</param>
/// <param name="Width">Of a cell, at every viewport.</param>
public sealed record ReachOffer(Extent Extent, string Name, string Place, IReadOnlyList<Segment> Width);
