using System.Collections.Immutable;
using System.Globalization;
using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Arrangements;

/// <summary>A gallery shows all of a set; a slider one at a time; a carousel several in view, moving.</summary>
public enum ArrangementKind { Gallery, Slider, Carousel }

/// <summary>How one picture follows another.</summary>
public enum ChangeKind { Slide, Vertical, Fade, None }

/// <summary>Where the buttons to the one before and after stand: below it, or over the pictures at its sides.</summary>
public enum ArrowsAt { Below, Inside, None }

/// <summary>What leads to each stop: a dot, or its picture, small.</summary>
public enum Steps { None, Dots, Pictures }

/// <summary>How words stand over slides, said once for all.</summary>
/// <param name="Across">Which of nine fields, with <paramref name="Down"/>.</param>
/// <param name="TintStrength">0 to 256 for each class of screen; over the slides that have words.</param>
public sealed record WordsOver(Side Across, Down Down, WordsTone Tone, Srgb Tint, PerClass<int> TintStrength)
{
    public static WordsOver Usual { get; } = new(Side.Left, Down.Bottom, WordsTone.Light, Srgb.Black, new(128, 128, 128));
}

/// <summary>How a slider or carousel stands and moves.</summary>
/// <param name="InView">Of a carousel, 1 to 6 for each class of screen; a slider has one.</param>
/// <param name="AdvanceBy">How many it moves by; never more than are in view.</param>
/// <param name="Shape">Of every slide: the keep area steers each cut.</param>
/// <param name="StayMs">How long a slide stands.</param>
/// <param name="ChangeMs">How long moving to the next takes.</param>
/// <param name="PlaysItself">Where it does there is always a way to pause it (WCAG 2.2, SC 2.2.2).</param>
public sealed record Slider(
    PerClass<int> InView, PerClass<int> AdvanceBy, AspectRatio Shape, int GutterPx, int StayMs, int ChangeMs, ChangeKind Change, bool PlaysItself, bool Loops, Steps Steps,
    CaptionPlace Captions, CaptionSource CaptionsFrom, bool OpensLarger)
{
    public const int MostInView = 6, LeastStayMs = 1000, MostStayMs = 60_000, MostChangeMs = 5000, MostPeekPx = 200;

    public ArrowsAt Arrows { get; init; }

    /// <summary>Whether it says which stop of how many is shown.</summary>
    public bool Counter { get; init; } = true;

    /// <summary>The picture it begins with, from 1; the last where there are fewer.</summary>
    public int StartsWith { get; init; } = 1;

    /// <summary>Its pictures in another order at each visit.</summary>
    public bool Shuffles { get; init; }

    /// <summary>By itself it goes to the one before.</summary>
    public bool Backwards { get; init; }

    /// <summary>So much of what follows shows at its end, CSS px.</summary>
    public int PeekPx { get; init; }

    public WordsOver Words { get; init; } = WordsOver.Usual;

    public SliderControls Controls { get; init; } = SliderControls.Usual;

    /// <summary>Right without touching anything.</summary>
    public static Slider Usual { get; } = new(
        new(1, 2, 3), new(1, 1, 1), AspectRatio.Of(16, 9), 16, 6000, 500, ChangeKind.Slide, false, true, Steps.Dots, CaptionPlace.Over, CaptionSource.Caption, false);
}

/// <summary>How long a slider takes, and what is wrong with that.</summary>
/// <param name="StaysMs">Of each stop: the longest of what is in view there.</param>
/// <param name="ReadsMs">How long the words in view at each stop take to read; 0 where there are none.</param>
/// <param name="RoundMs">Over all stops, each with its stay and the change after it.</param>
public sealed record Timing(ImmutableArray<int> StaysMs, ImmutableArray<int> ReadsMs, int ChangeMs, long RoundMs, ImmutableArray<string> Findings)
{
    /// <summary>Words a second in silent reading: 238 a minute (Brysbaert, How many words do we read per minute?, 2019).</summary>
    private const double WordsPerSecond = 238 / 60.0;

    /// <summary>Before anybody begins to read.</summary>
    private const int NoticeMs = 1000;

    /// <returns>On desktops; null for a gallery, which does not move.</returns>
    /// <param name="captionOf">The words under a picture; empty for none.</param>
    public static Timing? Of(Arrangement set, Func<ArrangementItem, string> captionOf)
    {
        return set.Kind == ArrangementKind.Gallery ? null
        : Of(set.Slider, set.StaysOn(WidthClass.Desktop), set.LongestOn(WidthClass.Desktop, item => (int)ReadingMs(WordsOn(item))), set.Shown.Select(item => (set.StayOf(item), WordsOn(item))));

        string WordsOn(ArrangementItem item) => item.Words is { } words ? words.Read : set.Captions == CaptionPlace.None ? "" : captionOf(item);
    }

    /// <param name="said">How long each slide stands, and the words shown on it.</param>
    private static Timing Of(Slider slider, ImmutableArray<int> staysMs, ImmutableArray<int> readsMs, IEnumerable<(int StayMs, string Words)> said)
    {
        var findings = ImmutableArray.CreateBuilder<string>();
        if (slider.PlaysItself)
        {
            var shortest = staysMs.DefaultIfEmpty(slider.StayMs).Min();
            if (slider.ChangeMs * 2 > shortest) findings.Add(string.Create(CultureInfo.InvariantCulture, $"It moves for {slider.ChangeMs / 1000.0:0.#} s and stands for {shortest / 1000.0:0.#} s: let it stand at least twice as long as it moves."));
            var (stay, longest) = said.Select(s => (s.StayMs, Reading: ReadingMs(s.Words))).Where(s => s.Reading > s.StayMs).OrderByDescending(s => s.Reading - s.StayMs).FirstOrDefault();
            if (longest > 0) findings.Add(string.Create(CultureInfo.InvariantCulture, $"The longest words take {Math.Ceiling(longest / 100) / 10:0.0} s to read, and that slide stands for {stay / 1000.0:0.#} s: let it stand longer, or say less."));
        }
        return new(staysMs, readsMs, slider.ChangeMs, staysMs.Sum(stay => (long)stay + slider.ChangeMs), findings.ToImmutable());
    }

    /// <summary>How long it takes to notice words and read them; none take no time.</summary>
    public static double ReadingMs(string words) => words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Length is > 0 and var n ? NoticeMs + 1000 * n / WordsPerSecond : 0;
}
