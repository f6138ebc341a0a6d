using System.Collections.Immutable;

namespace Dekoro.Core.Editing;

/// <summary>How often each tone stands in each channel of a picture: 256 counts each.</summary>
public sealed record Histogram(ImmutableArray<long> Red, ImmutableArray<long> Green, ImmutableArray<long> Blue)
{
    /// <summary>Counts of the three together, an even weight each.</summary>
    public ImmutableArray<long> All => [.. Red.Select((r, i) => r + Green[i] + Blue[i])];
}
