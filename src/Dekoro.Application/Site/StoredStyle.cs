using System.Collections.Immutable;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Application.Site;

/// <summary>What a site has set for itself; what is null is as delivered.</summary>
public sealed record StoredStyle(
    string Name,
    string? Language = null,
    SiteColours? Colours = null,
    WidthClasses? Classes = null,
    PerClass<double>? PaddingPx = null,
    double? ColumnPx = null,
    double? WidePx = null,
    double? GutterPx = null,
    double? TextPx = null,
    double? LineHeight = null,
    PerClass<int>? FirstScreenPx = null,
    ImmutableArray<string>? Shapes = null,
    ImmutableArray<StoredFrameStyle>? Looks = null,
    string? Zone = null,
    Typeface Typeface = Typeface.Newsreader
)
{
    /// <summary>As it is kept.</summary>
    public static StoredStyle Of(SiteStyle style) =>
        new(
            style.Name,
            style.Language,
            style.Colours,
            style.Classes,
            style.PaddingPx,
            style.ColumnPx,
            style.WidePx,
            style.GutterPx,
            style.TextPx,
            style.LineHeight,
            style.FirstScreenPx,
            style.Shapes,
            [.. style.FrameStyles.Select(StoredFrameStyle.Of)],
            style.Zone,
            style.Typeface
        );

    /// <summary>The style that was kept.</summary>
    public SiteStyle ToStyle()
    {
        var style = new SiteStyle
        {
            Name = Name,
            Typeface = Typeface,
            Face = Dekoro.Publishing.Faces.Of(Typeface).Metrics,
        };
        return style with
        {
            Language = Language ?? style.Language,
            Zone = Zone ?? style.Zone,
            Colours = Colours ?? style.Colours,
            Classes = Classes ?? style.Classes,
            PaddingPx = PaddingPx ?? style.PaddingPx,
            ColumnPx = ColumnPx ?? style.ColumnPx,
            WidePx = WidePx ?? style.WidePx,
            GutterPx = GutterPx ?? style.GutterPx,
            TextPx = TextPx ?? style.TextPx,
            LineHeight = LineHeight ?? style.LineHeight,
            FirstScreenPx = FirstScreenPx ?? style.FirstScreenPx,
            Shapes = Shapes ?? style.Shapes,
            FrameStyles = Looks is { } looks
                ? [.. looks.Select(l => new NamedFrameStyle(l.Id, l.Name, l.Look.Read().FrameStyle ?? FrameStyle.None))]
                : [],
        };
    }
}
