using System.Collections.Immutable;

namespace Dekoro.Core.Delivery;

/// <summary>A line between a visitor and the site.</summary>
public sealed record VisitorLine(string Name, double BytesPerS, double RoundTripMs)
{
    /// <summary>About a phone at the edge of its net, one in a town, and a house with a cable.</summary>
    public static ImmutableArray<VisitorLine> Offered { get; } =
    [new("slow", 50_000, 400), new("fair", 200_000, 150), new("good", 1_250_000, 40)];
}
