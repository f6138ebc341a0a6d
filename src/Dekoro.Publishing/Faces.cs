using System.Collections.Frozen;
using System.Text.Json;
using Dekoro.Core.Site;
using Dekoro.Core.Typography;

namespace Dekoro.Publishing;

/// <summary>The faces that sites ship, as <c>tools/measure-faces.mjs</c> measured them in a browser.</summary>
public static class Faces
{
    private const double PerEm = 1000;

    private const string Serifs = "Georgia, \"Times New Roman\", serif",
        Plain = "\"Segoe UI\", Roboto, Helvetica, Arial, sans-serif";

    private static readonly FrozenDictionary<Typeface, ShippedFace> Shipped = new Dictionary<Typeface, ShippedFace>
    {
        [Typeface.Newsreader] = Face("Newsreader Variable", "newsreader", "200 800", Serifs),
        [Typeface.SourceSans] = Face("Source Sans 3 Variable", "source-sans-3", "200 900", Plain),
        [Typeface.Figtree] = Face("Figtree Variable", "figtree", "300 900", Plain),
    }.ToFrozenDictionary();

    /// <summary>Every face that ships.</summary>
    public static IEnumerable<ShippedFace> All => Shipped.Values;

    /// <summary>What ships of a typeface.</summary>
    public static ShippedFace Of(Typeface typeface) => Shipped[typeface];

    private static ShippedFace Face(string family, string file, string weights, string like) =>
        new(family, file, weights, like, Read(file + "-metrics.json"));

    private static FaceFamily Read(string asset)
    {
        var styles = JsonSerializer.Deserialize<Dictionary<string, Dictionary<string, Cut>>>(
            Assets.Text(asset),
            JsonSerializerOptions.Web
        )!;
        return new(CutsOf(styles["upright"]), CutsOf(styles["italic"]));
    }

    private static FrozenDictionary<int, FaceMetrics> CutsOf(Dictionary<string, Cut> byWeight) =>
        byWeight.ToFrozenDictionary(
            w => int.Parse(w.Key, CultureInfo.InvariantCulture),
            w => new FaceMetrics(
                w.Value.Ascent / PerEm,
                w.Value.Descent / PerEm,
                w.Value.Advances.ToDictionary(a => a.Key[0], a => a.Value / PerEm),
                w.Value.Pairs.ToDictionary(p => (p.Key[0], p.Key[1]), p => p.Value / PerEm)
            )
        );

    private sealed record Cut(int Ascent, int Descent, Dictionary<string, int> Advances, Dictionary<string, int> Pairs);
}
