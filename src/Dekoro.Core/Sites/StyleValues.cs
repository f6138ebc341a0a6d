using System.Collections.Immutable;
using System.Globalization;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Widths;
using NodaTime;

namespace Dekoro.Core.Sites;

/// <param name="Field">As in <see cref="StyleValues"/>, beginning small; with the class or colour after a dot where there are several.</param>
/// <param name="Sentence">What is wrong and what is allowed.</param>
public sealed record StyleError(string Field, string Sentence);

/// <summary>A style, or everything that keeps the values from being one.</summary>
public sealed record StyleReading(SiteStyle? Style, ImmutableArray<StyleError> Errors);

/// <summary>How two colours of a site go together.</summary>
/// <param name="What">Which words over what.</param>
public sealed record ColourPair(string What, Contrast Contrast);

/// <summary>What a person may set of a site's style, as it was typed: lengths in CSS px, colours as #rrggbb, shapes as 3:2.</summary>
/// <param name="Zone">Null leaves it as it is.</param>
public sealed record StyleValues(
    string Name, string Language, int TabletFromPx, int DesktopFromPx, PerClass<int> ReferencePx, PerClass<int> FirstScreenPx, PerClass<double> PaddingPx,
    double ColumnPx, double WidePx, double GutterPx, double TextPx, double LineHeight, SiteColours Colours, ImmutableArray<string> Shapes, string? Zone = null)
{
    private const int MostShapes = 12, NarrowestScreenPx = 320, WidestScreenPx = 4000;

    public static StyleValues Of(SiteStyle style) => new(
        style.Name, style.Language, style.Classes.TabletFromPx, style.Classes.DesktopFromPx, style.Classes.ReferencePx, style.FirstScreenPx, style.PaddingPx,
        style.ColumnPx, style.WidePx, style.GutterPx, style.TextPx, style.LineHeight, style.Colours, style.Shapes, style.Zone);

    /// <param name="basis">Gives what cannot be set here: the faces and the devices of its visitors.</param>
    public StyleReading Read(SiteStyle basis)
    {
        // Sent from outside, any of them may be missing, whatever its type says.
        if (Name is null || Language is null || Colours is null || Shapes.IsDefault) return new(null, [new("", "A style names all its values: name, language, colours and shapes too.")]);
        var errors = ImmutableArray.CreateBuilder<StyleError>();
        if (Name.Trim().Length is 0 or > 120) Refuse("name", "A site has a name, of at most 120 letters: it stands at the top of every page.");
        if (!IsLanguage(Language)) Refuse("language", "A language is written as browsers know it: en, de, pt-BR.");
        if (Zone is not null && DateTimeZoneProviders.Tzdb.GetZoneOrNull(Zone) is null) Refuse("zone", "A time zone is named by a large city in it: Europe/London, America/New_York.");
        var classes = Classes(Refuse);
        foreach (var c in WidthClasses.All)
        {
            var name = DocumentWriter.Written(c);
            Within($"paddingPx.{name}", PaddingPx[c], 0, 120, $"At the edges of a {name} there are 0 to 120 px.");
            Within($"firstScreenPx.{name}", FirstScreenPx[c], 200, 3000, $"What a browser leaves free of a {name} is 200 to 3000 px high.");
        }
        if (PaddingPx.Phone * 2 > NarrowestScreenPx / 2.0) Refuse("paddingPx.phone", "On a phone of 320 px the edges may take half of it: 80 px on each side at most.");
        Within("columnPx", ColumnPx, 280, 1600, "The column of text is 280 to 1600 px wide; about 60 to 75 letters in a line read well.");
        Within("widePx", WidePx, 280, 2400, "Wide pictures are up to 2400 px wide.");
        if (WidePx < ColumnPx) Refuse("widePx", string.Create(CultureInfo.InvariantCulture, $"Wide is at least as wide as the column, {ColumnPx:0.##} px."));
        Within("gutterPx", GutterPx, 0, 80, "Between things that stand side by side there are 0 to 80 px.");
        Within("textPx", TextPx, 12, 32, "Text is 12 to 32 px high; below 16 it is hard to read on a phone.");
        Within("lineHeight", LineHeight, 1.1, 2.4, "Lines are 1.1 to 2.4 times as high as their letters.");
        foreach (var (name, colour) in Colours.Named())
        {
            if (colour is null || !Srgb.TryParse(colour, out _)) Refuse("colours." + name, "A colour is written #rrggbb.");
        }
        if (Shapes.Length > MostShapes) Refuse("shapes", $"A site offers at most {MostShapes} shapes.");
        foreach (var shape in Shapes)
        {
            if (shape is null || !AspectRatio.TryParse(shape, out var ratio) || ratio.Value is < DocumentReader.NarrowestShape or > DocumentReader.WidestShape)
                Refuse("shapes", $"“{shape}” is no shape: write it as 3:2, between 1:20 and 20:1.");
        }
        if (errors.Count > 0 || classes is null) return new(null, errors.ToImmutable());
        return new(basis with
        {
            Name = Name.Trim(),
            Language = Language,
            Zone = Zone ?? basis.Zone,
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
        }, []);

        void Refuse(string field, string sentence) => errors.Add(new(field, sentence));

        void Within(string field, double value, double least, double most, string sentence)
        {
            if (!(value >= least && value <= most)) Refuse(field, sentence);
        }
    }

    /// <summary>The pairs in which a site's colours stand over each other, with the contrast that words want there.</summary>
    public static ImmutableArray<ColourPair> PairsOf(SiteColours colours)
    {
        return [Pair("text on paper", colours.Ink, colours.Paper), Pair("quiet words on paper", colours.Quiet, colours.Paper), Pair("links on paper", colours.Link, colours.Paper), Pair("words on the bar", colours.BarInk, colours.Bar)];

        static ColourPair Pair(string what, string words, string ground) => new(what, new(Srgb.Parse(words).ContrastWith(Srgb.Parse(ground)), Readability.TextNeeds));
    }

    private WidthClasses? Classes(Action<string, string> refuse)
    {
        if (TabletFromPx is <= NarrowestScreenPx or > WidestScreenPx)
        {
            refuse("tabletFromPx", $"Tablets begin after {NarrowestScreenPx} px, where every phone still fits.");
            return null;
        }
        if (DesktopFromPx <= TabletFromPx || DesktopFromPx > WidestScreenPx)
        {
            refuse("desktopFromPx", $"Desktops begin after tablets: wider than {TabletFromPx} px, and at {WidestScreenPx} px at most.");
            return null;
        }
        var (good, ends) = (true, new PerClass<(int From, int To)>((NarrowestScreenPx, TabletFromPx - 1), (TabletFromPx, DesktopFromPx - 1), (DesktopFromPx, WidestScreenPx)));
        foreach (var c in WidthClasses.All)
        {
            if (ReferencePx[c] >= ends[c].From && ReferencePx[c] <= ends[c].To) continue;
            refuse($"referencePx.{DocumentWriter.Written(c)}", $"A {DocumentWriter.Written(c)} is looked at between {ends[c].From} and {ends[c].To} px.");
            good = false;
        }
        return good ? new(TabletFromPx, DesktopFromPx, ReferencePx) : null;
    }

    /// <summary>By its form (BCP 47): letters and digits in parts of up to eight.</summary>
    private static bool IsLanguage(string text) =>
        text.Split('-') is { Length: <= 4 } parts && parts[0].Length is 2 or 3 && parts.All(p => p.Length is > 0 and <= 8 && p.All(char.IsAsciiLetterOrDigit)) && parts[0].All(char.IsAsciiLetter);
}
