using System.Collections.Immutable;
using Dekoro.Core.Documents;
using Dekoro.Core.Typography;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Sites;

/// <summary>What is set once for the whole site and computed everywhere. Lengths in CSS px.</summary>
public sealed record SiteStyle
{
    public string Name { get; init; } = "New site";
    public string Language { get; init; } = "en";

    /// <summary>Where its days begin and end, by the name that the tz database has for it.</summary>
    public string Zone { get; init; } = "UTC";

    public WidthClasses Classes { get; init; } = WidthClasses.Standard;
    public DeviceProfile Devices { get; init; } = DeviceProfile.Standard;
    public PerClass<double> PaddingPx { get; init; } = new(16, 32, 32);
    public double ColumnPx { get; init; } = 720;
    public double WidePx { get; init; } = 1080;
    public double GutterPx { get; init; } = 24;
    public double TextPx { get; init; } = 18;
    public double LineHeight { get; init; } = 1.6;

    /// <summary>What a browser leaves free of each screen, CSS px of height.</summary>
    public PerClass<int> FirstScreenPx { get; init; } = new(700, 760, 652);

    /// <summary>How wide the letters of its faces run.</summary>
    public FaceFamily Face { get; init; } = FaceFamily.Plain;

    public SiteColours Colours { get; init; } = new();

    /// <summary>The shapes offered for cuts, beside "as is".</summary>
    public ImmutableArray<string> Shapes { get; init; } = ["3:2", "16:9", "1:1", "4:5"];

    /// <summary>Looks with a name, for pictures to share.</summary>
    public ImmutableArray<NamedLook> Looks { get; init; } = [];

    public PictureLook LookOf(LookChoice choice) => choice.Own ?? Looks.FirstOrDefault(l => l.Id == choice.NamedId)?.Look ?? PictureLook.None;

    /// <summary>The shape that the first picture of columns takes, and with it the others; null for as is.</summary>
    public string? CellShape => Shapes.FirstOrDefault();
}

/// <summary>The public site's colours, as CSS hexadecimal notation.</summary>
public sealed record SiteColours(
    string Paper = "#fdfcf8", string Ink = "#1d2530", string Quiet = "#4d5866", string Bar = "#143c58", string BarInk = "#ffffff", string Link = "#8a3b12")
{
    /// <summary>All of them, each by its name.</summary>
    public IEnumerable<(string Name, string Colour)> Named() => [("paper", Paper), ("ink", Ink), ("quiet", Quiet), ("bar", Bar), ("barInk", BarInk), ("link", Link)];

    /// <summary>Those that may stand behind words or over a picture, and plain black and white.</summary>
    public IEnumerable<(string Name, string Colour)> Offered() =>
        new[] { ("paper", Paper), ("ink", Ink), ("bar", Bar), ("link", Link), ("black", "#000000"), ("white", "#ffffff") }.DistinctBy(c => c.Item2);
}
