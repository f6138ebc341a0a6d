using System.Globalization;
using System.Text;

namespace Dekoro.Demo.Draw;

/// <summary>Pictures that are drawings by nature, written as SVG.</summary>
internal static class Drawings
{
    public static string Of(string file) =>
        file switch
        {
            "how-a-kite-flies.svg" => HowAKiteFlies,
            "sea-scallops.svg" => Scallops(),
            "bunting.svg" => Bunting(),
            _ => throw new ArgumentException($"No drawing called {file}.", nameof(file)),
        };

    private const string HowAKiteFlies = """
        <svg xmlns="http://www.w3.org/2000/svg" width="1200" height="800" viewBox="0 0 1200 800"
          font-family="sans-serif" font-size="34" fill="#1d2530">
        <rect width="1200" height="800" fill="#eef4f5"/>
        <path d="M0 640Q300 590 620 650T1200 630V800H0Z" fill="#e2cd9c"/>
        <g fill="none" stroke="#9cc3d3" stroke-width="5" stroke-linecap="round"><path d="M60 180h300"/>
        <path d="M40 270h380"/><path d="M60 360h300"/>
        <path d="M340 165l22 15-22 15M400 255l22 15-22 15M340 345l22 15-22 15"/></g>
        <path d="M620 130L760 290L640 470L560 270Z" fill="#d8432f"/><path d="M620 130L640 470L560 270Z" fill="#f3b93b"/>
        <path d="M620 130L640 470M560 270L760 290" stroke="#1d2530" stroke-width="5"/>
        <path d="M640 470Q670 530 640 580T660 660" fill="none" stroke="#1d6e86" stroke-width="7"/>
        <path d="M630 290Q430 450 210 660" fill="none" stroke="#4d5866" stroke-width="4"/>
        <g stroke="#143c58" stroke-width="8" fill="none" stroke-linecap="round">
        <path d="M660 300V80M640 104l20-26 20 26"/><path d="M660 300H960M936 280l26 20-26 20"/>
        <path d="M660 300V520M640 496l20 26 20-26"/></g>
        <text x="690" y="90">lift</text><text x="900" y="270">drag</text><text x="690" y="520">weight</text>
        <text x="300" y="520">line</text><text x="80" y="140">wind</text>
        <circle cx="196" cy="640" r="18" fill="#1d2530"/>
        <path d="M196 656v70M196 676l24-14M196 726l-18 44M196 726l18 44" stroke="#1d2530"
          stroke-width="12" stroke-linecap="round"/>
        </svg>
        """;

    private static string Scallops()
    {
        var svg = new StringBuilder(
            """<svg xmlns="http://www.w3.org/2000/svg" width="800" height="800" viewBox="0 0 800 800">"""
                + """<rect width="800" height="800" fill="#f6efdd"/>"""
        );
        for (var row = 0; row < 18; row++)
        {
            for (var column = -1; column < 9; column++)
            {
                var (x, y) = (column * 100 + (row % 2) * 50 + 50, row * 50 + 10);
                for (var ring = 4; ring > 0; ring--)
                    svg.Append(
                        CultureInfo.InvariantCulture,
                        $"""<circle cx="{x}" cy="{y}" r="{ring * 12.5}" """
                            + $"""fill="{(ring % 2 == 0 ? "#1d5a74" : "#f6efdd")}"/>"""
                    );
            }
        }
        return svg.Append("</svg>").ToString();
    }

    private static string Bunting()
    {
        string[] colours = ["#d8432f", "#f3b93b", "#1d6e86", "#f6efdd", "#7a4a86"];
        var svg = new StringBuilder(
            """<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="400" viewBox="0 0 1600 400">"""
                + """<rect width="1600" height="400" fill="#cfe6ee"/>"""
        );
        for (var i = 0; i < 16; i++)
        {
            double Hang(double x) => 90 + 150 * (1 - Math.Pow((x - 800) / 800, 2));
            var x = i * 100 + 10;
            svg.Append(
                CultureInfo.InvariantCulture,
                $"""<path d="M{x} {Hang(x):0.#}L{x + 80} {Hang(x + 80):0.#}L{x + 40} """
                    + $"""{Hang(x + 40) + 110:0.#}Z" fill="{colours[i % 5]}"/>"""
            );
        }
        return svg.Append("""<path d="M0 90Q800 390 1600 90" fill="none" stroke="#1d2530" stroke-width="6"/></svg>""")
            .ToString();
    }
}
