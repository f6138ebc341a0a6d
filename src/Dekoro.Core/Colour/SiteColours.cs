namespace Dekoro.Core.Colour;

/// <summary>The public site's colours, as CSS hexadecimal notation.</summary>
public sealed record SiteColours(
    string Paper = "#fdfcf8",
    string Ink = "#1d2530",
    string Quiet = "#4d5866",
    string Bar = "#143c58",
    string BarInk = "#ffffff",
    string Link = "#8a3b12"
)
{
    /// <summary>All of them, each by its name.</summary>
    public IEnumerable<(string Name, string Colour)> Named() =>
        [("paper", Paper), ("ink", Ink), ("quiet", Quiet), ("bar", Bar), ("barInk", BarInk), ("link", Link)];

    /// <summary>Those that may stand behind words or over a picture, and plain black and white.</summary>
    public IEnumerable<(string Name, string Colour)> Offered() =>
        new[]
        {
            ("paper", Paper),
            ("ink", Ink),
            ("bar", Bar),
            ("link", Link),
            ("black", "#000000"),
            ("white", "#ffffff"),
        }.DistinctBy(c => c.Item2);
}
