using System.Collections.Immutable;
using System.Text.Json.Serialization;
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
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] Typeface? Typeface = null
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
            // The one that was there before there was a choice is not written: nothing is another for it.
            style.Typeface == Dekoro.Core.Site.Typeface.Newsreader
                ? null
                : style.Typeface
        );

    /// <summary>The style that was kept.</summary>
    public SiteStyle ToStyle()
    {
        var style = In(Typeface) with { Name = Name };
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

    /// <summary>As delivered, in a typeface; in the first where none is chosen.</summary>
    public static SiteStyle In(Typeface? chosen)
    {
        var typeface = chosen ?? default;
        return new() { Typeface = typeface, Face = Dekoro.Publishing.Faces.Of(typeface).Metrics };
    }
}
