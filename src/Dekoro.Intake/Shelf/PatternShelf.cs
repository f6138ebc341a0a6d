using System.Collections.Immutable;
using System.Globalization;

namespace Dekoro.Intake.Shelf;

/// <summary>Patterns and textures for backgrounds: each motif once on a ground of its own, once see-through.</summary>
public static class PatternShelf
{
    public const int TilePx = 240;

    /// <param name="Ground">Behind the opaque tile.</param>
    /// <param name="Ink">Of the strokes; what is seen through has them alone.</param>
    private sealed record Motif(string Id, string Name, string Ground, string Ink, string Drawing);

    private static readonly ImmutableArray<Motif> Motifs =
    [
        new(
            "waves",
            "Waves",
            "#dfe9ec",
            "#2f6f7d",
            Strokes(
                Rows(6, y =>
                    string.Create(CultureInfo.InvariantCulture, $"M-20 {y}q20 -22 40 0t40 0 40 0 40 0 40 0 40 0 40 0")
                ),
                4
            )
        ),
        new(
            "dunes",
            "Dune ripples",
            "#efe2c4",
            "#b08a4a",
            Strokes(
                Rows(8, y =>
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"M-120 {y}c60 -14 60 14 120 0s60 14 120 0 60 14 120 0 60 14 120 0"
                    )
                ),
                3
            )
        ),
        new("scallops", "Scallops", "#f3ece0", "#8a4b3a", Strokes(Scallops(), 3)),
        new("diamonds", "Kite diamonds", "#f7efe0", "#c8452f", Shapes(Diamonds(), "fill")),
        new(
            "lattice",
            "Bamboo lattice",
            "#e9eede",
            "#5f7a3d",
            Strokes("M0 0L240 240M240 0L0 240M0 120L120 0M120 240L240 120M0 120L120 240M120 0L240 120", 5)
        ),
        new("stripes", "Deckchair stripes", "#faf4e6", "#33658a", Bars(6, 0.45)),
        new("pinstripes", "Pinstripes", "#e6e4de", "#4a4a52", Bars(16, 0.12)),
        new("dots", "Dots", "#fbe9e2", "#b5392f", Dots(4, 9)),
        new("grain", "Sand grains", "#ecdfc2", "#7d6434", Grains(7, 260)),
        new("linen", "Linen", "#efe9dc", "#8c8068", Linen()),
        new("stars", "Stars", "#1f2a44", "#f0d78c", Stars()),
        new(
            "lines",
            "Crossed lines",
            "#eef0f2",
            "#56697a",
            Strokes("M0 40H240M0 120H240M0 200H240M40 0V240M120 0V240M200 0V240", 2)
        ),
    ];

    public static ImmutableArray<ShelfPattern> All { get; } =
    [
        .. Motifs.Select(m => new ShelfPattern(m.Id, m.Name, false, Svg(m, true))),
        .. Motifs.Select(m => new ShelfPattern(m.Id + "-clear", m.Name + ", see-through", true, Svg(m, false))),
    ];

    private static string Svg(Motif m, bool opaque) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"""<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {TilePx} {TilePx}" width="{TilePx}" """
                + $"""height="{TilePx}">"""
                + $"""{(opaque ? $"<rect width=\"{TilePx}\" height=\"{TilePx}\" fill=\"{m.Ground}\"/>" : "")}<g """
                + $"""fill="none" stroke="none">{m.Drawing.Replace("INK", m.Ink, StringComparison.Ordinal)}</g>"""
                + $"""</svg>"""
        );

    private static string Strokes(string path, double width) =>
        string.Create(CultureInfo.InvariantCulture, $"""<path d="{path}" stroke="INK" stroke-width="{width}"/>""");

    private static string Shapes(string path, string what) => $"""<path d="{path}" {what}="INK"/>""";

    private static string Rows(int count, Func<double, string> row) =>
        string.Concat(Enumerable.Range(0, count).Select(i => row((i + 0.5) * TilePx / count)));

    private static string Bars(int count, double share) =>
        string.Concat(
            Enumerable
                .Range(0, count)
                .Select(i =>
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"""<rect x="{(double)i * TilePx / count:0.###}" """
                            + $"""width="{share * TilePx / count:0.###}" height="{TilePx}" fill="INK"/>"""
                    )
                )
        );

    private static string Scallops() =>
        string.Concat(
            from row in Enumerable.Range(-1, 8)
            from column in Enumerable.Range(-1, 5)
            select string.Create(
                CultureInfo.InvariantCulture,
                $"M{column * 60 + (row % 2 == 0 ? 0 : 30)} {row * 40}a30 30 0 0 0 60 0"
            )
        );

    private static string Diamonds() =>
        string.Concat(
            from row in Enumerable.Range(0, 3)
            from column in Enumerable.Range(0, 4)
            let x = column * 60 + 30
            let y = row * 80 + 10
            select string.Create(CultureInfo.InvariantCulture, $"M{x} {y}l18 22 -18 36 -18 -36z")
        );

    /// <summary>Every second row half a step aside.</summary>
    private static string Dots(int count, double radius) =>
        string.Concat(
            from row in Enumerable.Range(0, count * 2)
            from column in Enumerable.Range(0, count)
            let step = (double)TilePx / count
            select string.Create(
                CultureInfo.InvariantCulture,
                $"""<circle cx="{column * step + (row % 2 == 0 ? step / 4 : step * 3 / 4)}" """
                    + $"""cy="{(row + 0.5) * step / 2}" r="{radius}" fill="INK"/>"""
            )
        );

    /// <summary>Scattered by a fixed draw, and drawn again beyond an edge that one touches.</summary>
    private static string Grains(int seed, int count)
    {
        var random = new Random(seed);
        return string.Concat(
            Enumerable
                .Range(0, count)
                .SelectMany(_ =>
                {
                    var (x, y, r, o) = (
                        random.NextDouble() * TilePx,
                        random.NextDouble() * TilePx,
                        0.7 + random.NextDouble() * 1.6,
                        0.25 + random.NextDouble() * 0.6
                    );
                    return from dx in new[] { -TilePx, 0, TilePx }
                        from dy in new[] { -TilePx, 0, TilePx }
                        where x + dx > -3 && x + dx < TilePx + 3 && y + dy > -3 && y + dy < TilePx + 3
                        select string.Create(
                            CultureInfo.InvariantCulture,
                            $"""<circle cx="{x + dx:0.##}" cy="{y + dy:0.##}" r="{r:0.##}" fill="INK" """
                                + $"""fill-opacity="{o:0.##}"/>"""
                        );
                })
        );
    }

    private static string Linen() =>
        string.Concat(
            Enumerable
                .Range(0, 40)
                .Select(i =>
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"""<path d="M0 {i * 6 + 3}H240M{i * 6 + 3} 0V240" stroke="INK" """
                            + $"""stroke-width="{1 + i * 7 % 5 * 0.4:0.#}" """
                            + $"""stroke-opacity="{0.18 + i * 11 % 7 * 0.05:0.##}"/>"""
                    )
                )
        );

    private static string Stars() =>
        string.Concat(
            from i in Enumerable.Range(0, 18)
            let x = 12 + i * 89 % 216
            let y = 12 + i * 137 % 216
            let r = 3 + i * 5 % 7
            select string.Create(
                CultureInfo.InvariantCulture,
                $"""<path d="M{x} {y - r}l{r * 0.25:0.##} {r * 0.75:0.##} {r * 0.75:0.##} {r * 0.25:0.##} """
                    + $"""{-r * 0.75:0.##} {r * 0.25:0.##} {-r * 0.25:0.##} {r * 0.75:0.##} {-r * 0.25:0.##} """
                    + $"""{-r * 0.75:0.##} {-r * 0.75:0.##} {-r * 0.25:0.##} {r * 0.75:0.##} {-r * 0.25:0.##}z" """
                    + $"""fill="INK"/>"""
            )
        );
}
