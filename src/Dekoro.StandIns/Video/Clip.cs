using System.Globalization;

namespace Dekoro.StandIns.Video;

/// <summary>A short clip of the simulated video host: a kite that flies across a sky.</summary>
internal sealed record Clip(string Id, string Title, string Sky, string Sand, string Sail, int WidthPx, int HeightPx)
{
    public static IReadOnlyList<Clip> All { get; } =
    [
        new("kites-over-the-dunes", "Kites over the dunes", "#8fc1dd", "#d8c08a", "#b5392f", 1280, 720),
        new("lanterns-go-up", "Lanterns go up", "#1f2f4f", "#3a3348", "#e0a92e", 1280, 720),
        new("how-to-tie-a-bridle", "How to tie a bridle", "#dfe7e2", "#b98f5b", "#2c5f8a", 960, 960),
    ];

    /// <param name="moves">False for the still.</param>
    public string Drawing(bool moves) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"""
            <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {WidthPx} {HeightPx}" width="{WidthPx}"
              height="{HeightPx}" role="img" aria-label="{Title}">
            <rect width="100%" height="100%" fill="{Sky}"/>
            <path d="M0 {HeightPx * 0.78} C{WidthPx * 0.3} {HeightPx * 0.66} {WidthPx * 0.6} {HeightPx
                * 0.9} {WidthPx} {HeightPx * 0.74} V{HeightPx} H0z" fill="{Sand}"/>
            <g{(moves ? " class=\"kite\"" : "")}><g transform="translate({WidthPx * 0.5} {HeightPx * 0.36}) rotate(14)">
            <path d="M0 150 C40 220 -40 260 10 330" fill="none" stroke="#f4efe2" stroke-width="6"/>
            <path d="M0 -130 L95 -20 L0 150 L-95 -20z" fill="{Sail}" stroke="#2b241c" stroke-width="5"/>
            <path d="M0 -130 V150 M-95 -20 H95" stroke="#2b241c" stroke-width="4"/></g></g></svg>
            """
        );
}
