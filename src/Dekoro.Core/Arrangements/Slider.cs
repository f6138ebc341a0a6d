using System.Collections.Immutable;
using System.Globalization;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Arrangements;

/// <summary>A gallery shows all of a set; a slider one at a time; a carousel several in view, moving.</summary>
public enum ArrangementKind { Gallery, Slider, Carousel }

/// <summary>How one picture follows another.</summary>
public enum ChangeKind { Slide, Fade, None }

/// <summary>How a slider or carousel stands and moves.</summary>
/// <param name="InView">Of a carousel, 1 to 6 for each class of screen; a slider has one.</param>
/// <param name="AdvanceBy">How many it moves by; never more than are in view.</param>
/// <param name="Shape">Of every slide: the keep area steers each cut.</param>
/// <param name="StayMs">How long a slide stands.</param>
/// <param name="ChangeMs">How long moving to the next takes.</param>
/// <param name="PlaysItself">Where it does there is always a way to pause it (WCAG 2.2, SC 2.2.2).</param>
public sealed record Slider(
    PerClass<int> InView, PerClass<int> AdvanceBy, AspectRatio Shape, int GutterPx, int StayMs, int ChangeMs, ChangeKind Change, bool PlaysItself, bool Loops, bool Dots,
    CaptionPlace Captions, CaptionSource CaptionsFrom, bool OpensLarger)
{
    public const int MostInView = 6, LeastStayMs = 1000, MostStayMs = 60_000, MostChangeMs = 5000;

    /// <summary>Right without touching anything.</summary>
    public static Slider Usual { get; } = new(
        new(1, 2, 3), new(1, 1, 1), AspectRatio.Of(16, 9), 16, 6000, 500, ChangeKind.Slide, false, true, true, CaptionPlace.Over, CaptionSource.Caption, false);
}

/// <summary>How long a slider takes, and what is wrong with that.</summary>
/// <param name="RoundMs">Over all stops, each with its stay and the change after it.</param>
public sealed record Timing(int Stops, int StayMs, int ChangeMs, long RoundMs, ImmutableArray<string> Findings)
{
    /// <summary>Words a second in silent reading: 238 a minute (Brysbaert, How many words do we read per minute?, 2019).</summary>
    private const double WordsPerSecond = 238 / 60.0;

    /// <summary>Before anybody begins to read.</summary>
    private const int NoticeMs = 1000;

    /// <returns>On desktops; null for a gallery, which does not move.</returns>
    /// <param name="captionOf">The words under a picture; empty for none.</param>
    public static Timing? Of(Arrangement set, Func<ArrangementItem, string> captionOf) => set.Kind == ArrangementKind.Gallery ? null
        : Of(set.Slider, set.StopsOn(WidthClass.Desktop, set.Shown.Count()).Length, set.Captions == CaptionPlace.None ? [] : set.Shown.Select(captionOf));

    /// <param name="words">The words shown on each slide.</param>
    public static Timing Of(Slider slider, int stops, IEnumerable<string> words)
    {
        var findings = ImmutableArray.CreateBuilder<string>();
        if (slider.PlaysItself)
        {
            if (slider.ChangeMs * 2 > slider.StayMs) findings.Add(string.Create(CultureInfo.InvariantCulture, $"It moves for {slider.ChangeMs / 1000.0:0.#} s and stands for {slider.StayMs / 1000.0:0.#} s: let it stand at least twice as long as it moves."));
            var longest = words.Select(ReadingMs).DefaultIfEmpty(0).Max();
            if (longest > slider.StayMs) findings.Add(string.Create(CultureInfo.InvariantCulture, $"The longest words take {longest / 1000.0:0.0} s to read, and a slide stands for {slider.StayMs / 1000.0:0.#} s: let it stand longer, or say less."));
        }
        return new(stops, slider.StayMs, slider.ChangeMs, (long)stops * (slider.StayMs + slider.ChangeMs), findings.ToImmutable());
    }

    /// <summary>How long it takes to notice words and read them; none take no time.</summary>
    public static double ReadingMs(string words) => words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Length is > 0 and var n ? NoticeMs + 1000 * n / WordsPerSecond : 0;
}
