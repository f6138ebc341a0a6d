using Dekoro.Core.Choices;
using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <param name="Name">"a third", "half", …</param>
/// <param name="Width">Its width at every viewport, for a grip to snap to.</param>
public sealed record SizeOffer(SizeRole Role, string Name, IReadOnlyList<Segment> Width);
