using System.Collections.Immutable;
using System.Globalization;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Arrangements;

/// <summary>How long a slider takes, and what is wrong with that.</summary>
/// <param name="Items">Ids of those that are shown, in order: where one is in view at a time, that of each
/// stop.</param>
/// <param name="StaysMs">Of each stop: the longest of what is in view there.</param>
/// <param name="ReadsMs">How long the words in view at each stop take to read; 0 where there are none.</param>
/// <param name="RoundMs">Over all stops, each with its stay and the change after it.</param>
public sealed record Timing(
    ImmutableArray<string> Items,
    ImmutableArray<int> StaysMs,
    ImmutableArray<int> ReadsMs,
    int ChangeMs,
    long RoundMs,
    ImmutableArray<string> Findings
)
{
    /// <summary>
    /// Words a second in silent reading: 238 a minute (Brysbaert, How many words do we read per minute?, 2019).
    /// </summary>
    private const double WordsPerSecond = 238 / 60.0;

    /// <summary>Before anybody begins to read.</summary>
    private const int NoticeMs = 1000;

    /// <returns>On desktops; null for a gallery, which does not move.</returns>
    /// <param name="captionOf">The words under a picture; empty for none.</param>
    public static Timing? Of(Arrangement set, Func<ArrangementItem, string> captionOf)
    {
        return set.Kind == ArrangementKind.Gallery
            ? null
            : Of(
                set,
                set.StaysOn(WidthClass.Desktop),
                set.LongestOn(WidthClass.Desktop, item => (int)ReadingMs(WordsOn(item))),
                set.Shown.Select(item => (set.StayOf(item), WordsOn(item)))
            );

        string WordsOn(ArrangementItem item) =>
            item.Words is { } words ? words.Read
            : set.Captions == CaptionPlace.None ? ""
            : captionOf(item);
    }

    /// <param name="said">How long each slide stands, and the words shown on it.</param>
    private static Timing Of(
        Arrangement set,
        ImmutableArray<int> staysMs,
        ImmutableArray<int> readsMs,
        IEnumerable<(int StayMs, string Words)> said
    )
    {
        var slider = set.Slider;
        var findings = ImmutableArray.CreateBuilder<string>();
        if (slider.PlaysItself)
        {
            var shortest = staysMs.DefaultIfEmpty(slider.StayMs).Min();
            if (slider.ChangeMs * 2 > shortest)
                findings.Add(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"It moves for {slider.ChangeMs / 1000.0:0.#} s and stands for {shortest / 1000.0:0.#} "
                            + $"s: let it stand at least twice as long as it moves."
                    )
                );
            var (stay, longest) = said.Select(s => (s.StayMs, Reading: ReadingMs(s.Words)))
                .Where(s => s.Reading > s.StayMs)
                .OrderByDescending(s => s.Reading - s.StayMs)
                .FirstOrDefault();
            if (longest > 0)
                findings.Add(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"The longest words take {Math.Ceiling(longest / 100) / 10:0.0} s to read, and that "
                            + $"slide stands for {stay / 1000.0:0.#} s: let it stand longer, or say less."
                    )
                );
        }
        return new(
            [.. set.Shown.Select(item => item.Id)],
            staysMs,
            readsMs,
            slider.ChangeMs,
            staysMs.Sum(stay => (long)stay + slider.ChangeMs),
            findings.ToImmutable()
        );
    }

    /// <summary>How long it takes to notice words and read them; none take no time.</summary>
    public static double ReadingMs(string words) =>
        words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Length is > 0 and var n
            ? NoticeMs + 1000 * n / WordsPerSecond
            : 0;
}
