namespace Dekoro.Server.Contracts;

/// <summary>A year of banners, as the strip shows it.</summary>
/// <param name="Runs">Of each banner by id, the days on which it runs, if nothing is before it.</param>
/// <param name="Shown">What visitors of the page see: days that follow one another, to the end of the year.</param>
/// <param name="Unseen">Banners that are on and that nobody sees this year on any page, each with why.</param>
/// <param name="AimedAt">Ids of those that may stand on the page.</param>
/// <param name="Next">The next day on which the top of the page becomes another, in words; null for none.</param>
/// <param name="Days">How many days the year has.</param>
/// <param name="Refused">Why dates that are tried cannot be; null where they can.</param>
public sealed record BannerYear(
    IReadOnlyDictionary<string, IReadOnlyList<DaySpan>> Runs,
    IReadOnlyList<ShownSpan> Shown,
    IReadOnlyDictionary<string, string> Unseen,
    IReadOnlyList<string> AimedAt,
    string? Next,
    int Days,
    string? Refused
);
