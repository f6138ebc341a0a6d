using System.Collections.Frozen;
using System.Text.Json;
using Dekoro.Core.Typography;

namespace Dekoro.Publishing;

/// <summary>The faces that sites ship, as <c>tools/measure-faces.mjs</c> measured them in a browser.</summary>
public static class Faces
{
    private const double PerEm = 1000;

    public static FaceFamily Newsreader { get; } = Read("newsreader-metrics.json");

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
