using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Dekoro.Core.Tests;

/// <summary>
/// How choices are written in documents that are kept, and in what is sent. A name in code may change; these stay, or
/// what people made can no longer be read.
/// </summary>
public sealed class WireNamesTests
{
    private const string Kept = """
        ArrangementKind: gallery slider carousel
        ArrowsAt: below inside none
        ButtonKind: filled outline
        CaptionPlace: none below over pointing
        CaptionSource: none title caption description credit own
        ChangeKind: slide vertical fade none
        ControlSize: small usual large
        DownloadKind: pdf sound video archive office text
        EventRepeats: never eachYear eachLeapDay
        Extent: column wide
        FigureLinkKind: none largeFile page address
        FilterKind: folder shape wider taller used unused noAlt noTitle soft twin away credit colour by
            since until type
        FitReason: none fileTooSmall cutTooTight blurred
        FitWord: sharp soft coarse
        GalleryKind: grid rows level even
        HorizontalAlign: left centre right
        Indicators: none dots pictures
        InsteadKind: film hosted page words
        LightboxSize: lean balanced full original
        LineHeight: letters line
        LineStyle: none solid dashed dotted double
        Loading: first atOnce later
        Mark: noAlt fileNameAsTitle soft
        OutputFormat: avif webP jpeg png gif svg
        PageLinksAt: below above both
        PageLinksLook: words boxes
        PictureFormat: jpeg png webP avif gif svg tiff
        Setting: column cell band
        SizeRole: third half column wide edge
        TargetKind: pages posts page folder
        TwinDifference: mirrored cut lighter darker tinted
        Typeface: newsreader sourceSans figtree
        VerticalAlign: top middle bottom
        WidthClass: phone tablet desktop
        WordsFrom: own library missing nothing
        WordsTone: dark light
        """;

    [Fact]
    public void Every_choice_is_written_as_it_always_was()
    {
        var choices = typeof(Dekoro.Core.Choices.SizeRole).Assembly.GetExportedTypes().Where(t => t.IsEnum);
        var written = choices.OrderBy(t => t.Name, StringComparer.Ordinal).Select(t => $"{t.Name}: {NamesOf(t)}");
        Assert.Equal(EachIn(Kept), EachIn(string.Join('\n', written)));
    }

    private const string KeptValues = """
        ArrangementValues: name gallery items follows kind slider larger isShownElsewhere namedLook ownLook
        BannerValues: name targets band isOn isStanding from until yearly holdsTitle
        FrameStyleValues: line linePx lineColour roundPx paddingPx background shadow
        GalleryValues: kind columns targetHeightPx gutterPx shape whole align captions captionsFrom
            captionLines opensLarger perSheet pageLinks pageLinksLook mostWidePx
        InsteadValues: kind target player title inPlace captions loops startsItself
        ItemValues: id asset isOn decorative alt captionSource caption linkKind linkTarget stayMs title text
            button buttonLink instead from until yearly step
        SliderValues: inView advanceBy shape gutterPx stayMs changeMs change playsItself loops steps
            captions captionsFrom opensLarger arrows counter startsWith shuffles backwards peekPx words
            controlSize controlColour stepsInside
        StyleValues: name language tabletFromPx desktopFromPx referencePx firstScreenPx paddingPx columnPx
            widePx gutterPx textPx lineHeight colours shapes zone typeface
        TargetValues: kind name
        WordsOverValues: across down tone tint tintStrength
        """;

    [Fact]
    public void Every_value_is_written_by_the_names_it_always_had()
    {
        var values = typeof(Dekoro.Core.Choices.SizeRole)
            .Assembly.GetExportedTypes()
            .Where(t => t.Name.EndsWith("Values", StringComparison.Ordinal));
        var written = values.OrderBy(t => t.Name, StringComparer.Ordinal).Select(t => $"{t.Name}: {MembersOf(t)}");
        Assert.Equal(EachIn(KeptValues), EachIn(string.Join('\n', written)));
    }

    private static string[] EachIn(string names) => names.Split(default(char[]), StringSplitOptions.RemoveEmptyEntries);

    private static string MembersOf(Type values) =>
        string.Join(' ', JsonSerializerOptions.Web.GetTypeInfo(values).Properties.Select(p => p.Name));

    private static string NamesOf(Type choice) =>
        string.Join(
            ' ',
            choice
                .GetFields(BindingFlags.Public | BindingFlags.Static)
                .Select(value => value.GetCustomAttribute<JsonStringEnumMemberNameAttribute>()?.Name ?? "(none)")
        );
}
