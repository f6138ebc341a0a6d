using System.Collections.Frozen;

namespace Dekoro.Core.Typography;

/// <summary>The cuts of a face that a site uses.</summary>
/// <param name="Upright">By weight.</param>
/// <param name="Italic">By weight.</param>
public sealed record FaceFamily(FrozenDictionary<int, FaceMetrics> Upright, FrozenDictionary<int, FaceMetrics> Italic)
{
    /// <summary>English as it is usually written, for a mean over letters.</summary>
    private const string Usual =
        "Kites have flown from this beach for as long as anybody can tell, and on most afternoons somebody is "
        + "still there to hold a line.";

    /// <summary>What stands in for a family that nobody knows.</summary>
    public static FaceFamily Plain { get; } =
        new(
            new Dictionary<int, FaceMetrics> { [400] = FaceMetrics.Plain }.ToFrozenDictionary(),
            new Dictionary<int, FaceMetrics> { [400] = FaceMetrics.Plain }.ToFrozenDictionary()
        );

    /// <summary>Mean advance of running text, in em.</summary>
    public double MeanAdvanceEm { get; } = CutOf(Upright, 400).WidthEm(Usual) / Usual.Length;

    /// <summary>The cut of the nearest weight.</summary>
    public FaceMetrics Of(int weight, bool italic) => CutOf(italic ? Italic : Upright, weight);

    private static FaceMetrics CutOf(FrozenDictionary<int, FaceMetrics> cuts, int weight) =>
        cuts.TryGetValue(weight, out var exact) ? exact : cuts.MinBy(c => Math.Abs(c.Key - weight)).Value;
}
