using System.Collections.Immutable;
using Dekoro.Core.Calendar;
using Dekoro.Core.Content;
using NodaTime;

namespace Dekoro.Core.Banners;

/// <summary>A band at the top of some pages on some days.</summary>
/// <param name="Name">Visitors never see it.</param>
/// <param name="IsStanding">It shows where no other runs, so that the top is not empty; then it has no dates.</param>
/// <param name="Dates">Null for every day.</param>
/// <param name="Targets">Where it may stand; one that names none stands nowhere.</param>
/// <param name="HoldsTitle">It shows the page's own title, as the page's heading; else it stands above that.</param>
public sealed record Banner(
    string Id,
    string Name,
    bool IsOn,
    bool IsStanding,
    RunDates? Dates,
    ImmutableArray<BannerTarget> Targets,
    bool HoldsTitle,
    BandBlock Band
)
{
    /// <summary>So many banners a site may have.</summary>
    public const int MaxCount = 400;

    /// <summary>So many buttons one has.</summary>
    public const int MaxButtons = 2;

    /// <summary>Of a name, in letters.</summary>
    public const int MaxName = 100;

    /// <summary>The id of the band of a banner, wherever it stands.</summary>
    public const string BlockId = "banner";

    /// <summary>Whether it runs on a day, if nothing before it does.</summary>
    public bool RunsOn(LocalDate day) => IsOn && (Dates?.Includes(day) ?? true);

    /// <summary>Days on which it runs between two days, in their order; both ends count.</summary>
    public IEnumerable<DayRange> RunsWithin(LocalDate first, LocalDate last) =>
        !IsOn ? []
        : Dates is null ? [new(first, last)]
        : Dates.RunsWithin(first, last);

    /// <summary>What is to be known of its days on a day.</summary>
    public string InWords(LocalDate today) =>
        this switch
        {
            { IsOn: false } => "off",
            { IsStanding: true } => "shown when no other is",
            { Dates: { } dates } => dates.InWords(today),
            _ => "shown every day",
        };

    /// <summary>Whether it may stand on a page.</summary>
    public bool IsAimedAt(BannerPage page) => Targets.Any(t => t.Includes(page));
}
