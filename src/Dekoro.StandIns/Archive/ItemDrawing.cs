using System.Globalization;

namespace Dekoro.StandIns.Archive;

/// <summary>Draws an item as its photograph: on paper, with its shadow and a small scale.</summary>
internal static class ItemDrawing
{
    private static readonly Dictionary<string, (string Main, string Second)> Colours = new()
    {
        ["red"] = ("#b5392f", "#f0c987"),
        ["blue"] = ("#2c5f8a", "#dfe9ef"),
        ["yellow"] = ("#e0a92e", "#7a3b22"),
        ["green"] = ("#3f7a55", "#f2e3b6"),
        ["purple"] = ("#6b4a86", "#efd3c4"),
        ["orange"] = ("#d9702b", "#24434f"),
        ["white"] = ("#f3efe4", "#8a2f2a"),
    };

    private static readonly string[] Papers = ["#d9d2c3", "#c9d3d6", "#e4ddcf", "#cfc6bd", "#b9c2bf"];

    /// <summary>An SVG of 1000 units on its longer side.</summary>
    public static string Of(ArchiveItem item)
    {
        var scale = 1000.0 / Math.Max(item.Look.WidthPx, item.Look.HeightPx);
        var (w, h) = (item.Look.WidthPx * scale, item.Look.HeightPx * scale);
        var (main, second) = Colours[item.Look.Hue];
        var turn = item.Number * 37 % 17 - 8;
        FormattableString open =
            $"""<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {w:0} {h:0}" width="{w:0}" height="{h:0}">""";
        FormattableString place = $"translate({w / 2:0} {h * 0.46:0}) rotate({turn})";
        FormattableString ruler =
            $"""<g transform="translate({w - 230:0} {h - 60:0})"><rect width="180" height="12" fill="#222"/>""";
        return Written(open)
            + $"<defs>{Shade}{PatternOf(item, main, second)}</defs>"
            + $"""<rect width="100%" height="100%" fill="{Papers[item.Number % Papers.Length]}"/>"""
            + """<rect width="100%" height="100%" fill="url(#p)"/>"""
            + KiteAt(Written(place), item.Kind)
            + Written(ruler)
            + """<rect x="36" width="36" height="12" fill="#fff"/><rect x="108" width="36" height="12" fill="#fff"/>"""
            + $"""<text y="34" font-family="sans-serif" font-size="20" fill="#222">{item.Id}</text></g></svg>""";
    }

    private const string Shade =
        """<radialGradient id="p" cx="40%" cy="35%" r="85%"><stop offset="0" stop-color="#fff" stop-opacity=".55"/>"""
        + """<stop offset="1" stop-color="#000" stop-opacity=".16"/></radialGradient>""";

    private static string Written(FormattableString svg) => svg.ToString(CultureInfo.InvariantCulture);

    /// <summary>Its shadow, the kite over it, and its spars over both.</summary>
    private static string KiteAt(string place, ItemKind kind) =>
        $"""<g transform="translate(14 20) {place}" fill="#000" opacity=".18">{BodyOf(kind)}</g>"""
        + $"""<g transform="{place}" fill="url(#f)" stroke="#3b2c20" stroke-width="5" """
        + $"""stroke-linejoin="round">{BodyOf(kind)}</g>"""
        + $"""<g transform="{place}" fill="none" stroke="#3b2c20" stroke-width="4" opacity=".7">"""
        + $"""{SparsOf(kind)}</g>""";

    private static string PatternOf(ArchiveItem item, string main, string second) =>
        item.Title.Split(' ')[^1] switch
        {
            "waves" => """<pattern id="f" width="60" height="40" patternUnits="userSpaceOnUse">"""
                + $"""<rect width="60" height="40" fill="{main}"/><path d="M0 30a15 15 0 0 1 30 0a15 15 0 0 1 """
                + $"""30 0" fill="none" stroke="{second}" stroke-width="7"/></pattern>""",
            "stripes" => """<pattern id="f" width="70" height="70" patternUnits="userSpaceOnUse" """
                + $"""patternTransform="rotate(24)"><rect width="70" height="70" fill="{main}"/>"""
                + $"""<rect width="30" height="70" fill="{second}"/></pattern>""",
            "stars" => """<pattern id="f" width="90" height="90" patternUnits="userSpaceOnUse">"""
                + $"""<rect width="90" height="90" fill="{main}"/><path d="M45 18l7 20h21l-17 12 7 21-18-13-18 """
                + $"""13 7-21-17-12h21z" fill="{second}"/></pattern>""",
            "patchwork" => """<pattern id="f" width="120" height="120" patternUnits="userSpaceOnUse">"""
                + $"""<rect width="120" height="120" fill="{main}"/><rect width="60" height="60" """
                + $"""fill="{second}"/><rect x="60" y="60" width="60" height="60" fill="#d8b98a"/></pattern>""",
            "feathers" => """<pattern id="f" width="80" height="120" patternUnits="userSpaceOnUse">"""
                + $"""<rect width="80" height="120" fill="{main}"/><path d="M40 10q30 50 0 100q-30-50 0-100z" """
                + $"""fill="{second}"/><path d="M40 10v100" stroke="#3b2c20" stroke-width="2"/></pattern>""",
            "sun" => """<radialGradient id="f" gradientUnits="userSpaceOnUse" cx="0" cy="-60" r="330">"""
                + $"""<stop offset=".32" stop-color="{second}"/><stop offset=".33" stop-color="{main}"/>"""
                + $"""</radialGradient>""",
            "face" => """<radialGradient id="f" gradientUnits="userSpaceOnUse" cx="0" cy="-20" r="120" """
                + $"""spreadMethod="reflect"><stop offset=".3" stop-color="{second}"/>"""
                + $"""<stop offset=".36" stop-color="{main}"/></radialGradient>""",
            _ => $"""<linearGradient id="f" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="{main}"/>"""
                + $"""<stop offset=".5" stop-color="{main}"/><stop offset="1" stop-color="{second}"/>"""
                + $"""</linearGradient>""",
        };

    private static string BodyOf(ItemKind kind) =>
        kind switch
        {
            ItemKind.Diamond => """<path d="M0-360L230-90L0 330L-230-90z"/>""",
            ItemKind.Delta => """<path d="M0-280L430 210Q200 150 0 240Q-200 150-430 210z"/>""",
            ItemKind.Rokkaku => """<path d="M0-370L250-210V190L0 350L-250 190V-210z"/>""",
            ItemKind.Box => """<path d="M-330-250L250-310L330-180L-250-120zM-330 70L250 10L330 140L-250 200z"/>""",
            ItemKind.Sled => """<path d="M-330-260H330L380 60L230 300H-230L-380 60z"/>""",
            ItemKind.Serpent =>
                """<path d="M-400-90A110 110 0 1 1-190-60Q-60 60 80-40Q210-130 320-20Q400 60 440 10Q410 150 """
                    + $"""290 90Q200 20 110 90Q-60 190-220 40A110 110 0 0 1-400-90z"/>""",
            ItemKind.Lantern => """<path d="M-170-330H170L230-60L200 260H-200L-230-60z"/>""",
            _ => """<path d="M0-300L310 0L0 300L-310 0z"/>""",
        };

    private static string SparsOf(ItemKind kind) =>
        kind switch
        {
            ItemKind.Diamond => """<path d="M0-360V330M-230-90H230M0 330q60 60 0 110t10 90"/>""",
            ItemKind.Delta => """<path d="M0-280V240M-215-35H215"/>""",
            ItemKind.Rokkaku => """<path d="M0-370V350M-250-210H250M-250 190H250"/>""",
            ItemKind.Box => """<path d="M-330-250V70M250-310V10M330-180V140M-250-120V200"/>""",
            ItemKind.Sled => """<path d="M-150-260V300M150-260V300"/>""",
            ItemKind.Serpent => """<circle cx="-330" cy="-110" r="14"/><circle cx="-270" cy="-120" r="14"/>""",
            ItemKind.Lantern => """<path d="M-200-200H200M-228-60H228M-216 100H216"/>""",
            _ => """<path d="M0-300V300M-310 0Q0-160 310 0"/>""",
        };
}
