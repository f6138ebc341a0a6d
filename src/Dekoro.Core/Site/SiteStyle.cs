using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Responsive;
using Dekoro.Core.Typography;

namespace Dekoro.Core.Site;

/// <summary>What is set once for the whole site and computed everywhere. Lengths in CSS px.</summary>
public sealed record SiteStyle
{
    /// <summary>The site's name, in every page's head.</summary>
    public string Name { get; init; } = "New site";

    /// <summary>BCP 47 tag of the language of its pages.</summary>
    public string Language { get; init; } = "en";

    /// <summary>Where its days begin and end, by the name that the tz database has for it.</summary>
    public string Zone { get; init; } = "UTC";

    /// <summary>Where one width class ends and the next begins.</summary>
    public WidthClasses Classes { get; init; } = WidthClasses.Standard;

    /// <summary>The screens its visitors hold.</summary>
    public DeviceProfile Devices { get; init; } = DeviceProfile.Standard;

    /// <summary>Margin at the sides of the screen, per class, in CSS px.</summary>
    public PerClass<double> PaddingPx { get; init; } = new(16, 32, 32);

    /// <summary>The column of text, in CSS px.</summary>
    public double ColumnPx { get; init; } = 720;

    /// <summary>What is wider than the column, in CSS px.</summary>
    public double WidePx { get; init; } = 1080;

    /// <summary>Room between neighbours, in CSS px.</summary>
    public double GutterPx { get; init; } = 24;

    /// <summary>Size of text, in CSS px.</summary>
    public double TextPx { get; init; } = 18;

    /// <summary>Height of a line, by the size of its text.</summary>
    public double LineHeight { get; init; } = 1.6;

    /// <summary>What a browser leaves free of each screen, CSS px of height.</summary>
    public PerClass<int> FirstScreenPx { get; init; } = new(700, 760, 652);

    /// <summary>What its texts are set in; another one has other <see cref="Face"/> metrics.</summary>
    public Typeface Typeface { get; init; }

    /// <summary>How wide the letters of its typeface run.</summary>
    public FaceFamily Face { get; init; } = FaceFamily.Plain;

    /// <summary>Its colours.</summary>
    public SiteColours Colours { get; init; } = new();

    /// <summary>The shapes offered for cuts, beside "as is".</summary>
    public ImmutableArray<string> Shapes { get; init; } = ["3:2", "16:9", "1:1", "4:5"];

    /// <summary>Looks with a name, for pictures to share.</summary>
    public ImmutableArray<NamedFrameStyle> FrameStyles { get; init; } = [];

    /// <summary>The look that was chosen: one of its own, a shared one, or the site's for all.</summary>
    public FrameStyle LookOf(FrameStyleChoice choice) =>
        choice.Own ?? FrameStyles.FirstOrDefault(l => l.Id == choice.NamedId)?.FrameStyle ?? FrameStyle.None;

    /// <summary>The shape that the first picture of columns takes, and with it the others; null for as is.</summary>
    public string? CellShape => Shapes.FirstOrDefault();
}
