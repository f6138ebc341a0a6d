using System.Collections.Immutable;
using System.Globalization;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;
using NodaTime;

namespace Dekoro.Core.Site;

/// <summary>
/// What a person may set of a site's style, as it was typed: lengths in CSS px, colours as #rrggbb, shapes as 3:2.
/// </summary>
/// <param name="Zone">Null leaves it as it is.</param>
/// <param name="Typeface">Null leaves it as it is.</param>
public sealed record StyleValues(
    string Name,
    string Language,
    int TabletFromPx,
    int DesktopFromPx,
    PerClass<int> ReferencePx,
    PerClass<int> FirstScreenPx,
    PerClass<double> PaddingPx,
    double ColumnPx,
    double WidePx,
    double GutterPx,
    double TextPx,
    double LineHeight,
    SiteColours Colours,
    ImmutableArray<string> Shapes,
    string? Zone = null,
    Typeface? Typeface = null
)
{
    private const int MaxShapes = 12;

    /// <summary>The values of a style, as a form shows them.</summary>
    public static StyleValues Of(SiteStyle style) =>
        new(
            style.Name,
            style.Language,
            style.Classes.TabletFromPx,
            style.Classes.DesktopFromPx,
            style.Classes.ReferencePx,
            style.FirstScreenPx,
            style.PaddingPx,
            style.ColumnPx,
            style.WidePx,
            style.GutterPx,
            style.TextPx,
            style.LineHeight,
            style.Colours,
            style.Shapes,
            style.Zone,
            style.Typeface
        );

    /// <param name="basis">Gives what cannot be set here: the faces and the devices of its visitors.</param>
    public StyleReading Read(SiteStyle basis)
    {
        // Sent from outside, any of them may be missing, whatever its type says.
        if (Name is null || Language is null || Colours is null || Shapes.IsDefault)
            return new(null, [new("", "A style names all its values: name, language, colours and shapes too.")]);
        var rules = new FieldRules();
        CheckNames(rules);
        var classes = Classes(rules);
        foreach (var c in WidthClasses.All)
            CheckEdges(c, rules);
        CheckLengths(rules);
        CheckColoursAndShapes(rules);
        if (!rules.AllHold || classes is null)
            return new(null, rules.Errors);
        return new(
            basis with
            {
                Name = Name.Trim(),
                Language = Language,
                Zone = Zone ?? basis.Zone,
                Typeface = Typeface ?? basis.Typeface,
                Classes = classes,
                FirstScreenPx = FirstScreenPx,
                PaddingPx = PaddingPx,
                ColumnPx = ColumnPx,
                WidePx = WidePx,
                GutterPx = GutterPx,
                TextPx = TextPx,
                LineHeight = LineHeight,
                Colours = Colours,
                Shapes = [.. Shapes.Distinct()],
            },
            []
        );
    }

    private void CheckNames(FieldRules rules)
    {
        rules.Holds(
            Name.Trim().Length is > 0 and <= 120,
            "name",
            "A site has a name, of at most 120 letters: it stands at the top of every page."
        );
        rules.Holds(IsLanguage(Language), "language", "A language is written as browsers know it: en, de, pt-BR.");
        rules.Holds(
            Typeface is not { } face || Enum.IsDefined(face),
            "typeface",
            "Choose one of the typefaces that ship with the site."
        );
        rules.Holds(
            Zone is null || DateTimeZoneProviders.Tzdb.GetZoneOrNull(Zone) is not null,
            "zone",
            "A time zone is named by a large city in it: Europe/London, America/New_York."
        );
    }

    private void CheckEdges(WidthClass c, FieldRules rules)
    {
        var name = WireName.Of(c);
        rules.Within($"paddingPx.{name}", PaddingPx[c], 0, 120, $"At the edges of a {name} there are 0 to 120 px.");
        rules.Within(
            $"firstScreenPx.{name}",
            FirstScreenPx[c],
            200,
            3000,
            $"What a browser leaves free of a {name} is 200 to 3000 px high."
        );
    }

    private void CheckLengths(FieldRules rules)
    {
        rules.Holds(
            PaddingPx.Phone * 2 <= Screens.NarrowestPx / 2.0,
            "paddingPx.phone",
            $"On a phone of {Screens.NarrowestPx} px the edges may take half of it: 80 px on each side at most."
        );
        rules.Within(
            "columnPx",
            ColumnPx,
            280,
            1600,
            "The column of text is 280 to 1600 px wide; about 60 to 75 letters in a line read well."
        );
        rules.Within("widePx", WidePx, 280, 2400, "Wide pictures are up to 2400 px wide.");
        rules.Holds(
            !(WidePx < ColumnPx),
            "widePx",
            string.Create(CultureInfo.InvariantCulture, $"Wide is at least as wide as the column, {ColumnPx:0.##} px.")
        );
        rules.Within("gutterPx", GutterPx, 0, 80, "Between things that stand side by side there are 0 to 80 px.");
        rules.Within("textPx", TextPx, 12, 32, "Text is 12 to 32 px high; below 16 it is hard to read on a phone.");
        rules.Within("lineHeight", LineHeight, 1.1, 2.4, "Lines are 1.1 to 2.4 times as high as their letters.");
    }

    private void CheckColoursAndShapes(FieldRules rules)
    {
        foreach (var (name, colour) in Colours.Named())
            rules.Holds(
                colour is not null && Srgb.TryParse(colour, out _),
                "colours." + name,
                "A colour is written #rrggbb."
            );
        rules.Holds(Shapes.Length <= MaxShapes, "shapes", $"A site offers at most {MaxShapes} shapes.");
        foreach (var shape in Shapes)
            rules.Holds(
                shape is not null && AspectRatio.TryParse(shape, out var ratio) && ratio.MayBeChosen(),
                "shapes",
                $"“{shape}” is no shape: write it as 3:2, between 1:20 and 20:1."
            );
    }

    /// <summary>
    /// The pairs in which a site's colours stand over each other, with the contrast that words want there.
    /// </summary>
    public static ImmutableArray<ColourPair> PairsOf(SiteColours colours)
    {
        return
        [
            Pair("text on paper", colours.Ink, colours.Paper),
            Pair("quiet words on paper", colours.Quiet, colours.Paper),
            Pair("links on paper", colours.Link, colours.Paper),
            Pair("words on the bar", colours.BarInk, colours.Bar),
        ];

        static ColourPair Pair(string what, string words, string ground) =>
            new(what, new(Srgb.Parse(words).ContrastWith(Srgb.Parse(ground)), Readability.TextNeeds));
    }

    private WidthClasses? Classes(FieldRules rules)
    {
        if (
            !rules.Holds(
                TabletFromPx is > Screens.NarrowestPx and <= Screens.WidestPx,
                "tabletFromPx",
                $"Tablets begin after {Screens.NarrowestPx} px, where every phone still fits."
            )
            || !rules.Holds(
                DesktopFromPx > TabletFromPx && DesktopFromPx <= Screens.WidestPx,
                "desktopFromPx",
                $"Desktops begin after tablets: wider than {TabletFromPx} px, and at {Screens.WidestPx} px at most."
            )
        )
            return null;
        var ends = new PerClass<(int From, int To)>(
            (Screens.NarrowestPx, TabletFromPx - 1),
            (TabletFromPx, DesktopFromPx - 1),
            (DesktopFromPx, Screens.WidestPx)
        );
        var outside = WidthClasses.All.Count(c =>
            !rules.Within(
                $"referencePx.{WireName.Of(c)}",
                ReferencePx[c],
                ends[c].From,
                ends[c].To,
                $"A {WireName.Of(c)} is looked at between {ends[c].From} and {ends[c].To} px."
            )
        );
        return outside == 0 ? new(TabletFromPx, DesktopFromPx, ReferencePx) : null;
    }

    /// <summary>By its form (BCP 47): letters and digits in parts of up to eight.</summary>
    private static bool IsLanguage(string text) =>
        text.Split('-') is { Length: <= 4 } parts
        && parts[0].Length is 2 or 3
        && parts.All(p => p.Length is > 0 and <= 8 && p.All(char.IsAsciiLetterOrDigit))
        && parts[0].All(char.IsAsciiLetter);
}
