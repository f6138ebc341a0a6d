using System.Collections.Immutable;
using Dekoro.Core.Calendar;
using NodaTime;

namespace Dekoro.Core.Banners;

/// <summary>
/// The banners of a site, those before others first. It says which one stands on a page on a day: the first that is on,
/// runs that day and is aimed at the page; else the standing one that names the page most closely; else none.
/// </summary>
public sealed class BannerOrder(ImmutableArray<Banner> banners)
{
    /// <summary>All, in their order.</summary>
    public ImmutableArray<Banner> All => banners;

    /// <summary>A site without banners.</summary>
    public static BannerOrder Empty { get; } = new([]);

    /// <summary>As it would be with other days of one of them.</summary>
    public BannerOrder Trying(string id, RunDates? dates) =>
        new([.. banners.Select(b => b.Id == id ? b with { Dates = dates } : b)]);

    /// <summary>As it would be in another order; those that are not named come last.</summary>
    public BannerOrder InOrder(IEnumerable<string> ids)
    {
        var places = ids.Distinct().Select((id, i) => (id, i)).ToDictionary(p => p.id, p => p.i);
        return new([.. banners.OrderBy(b => places.GetValueOrDefault(b.Id, int.MaxValue))]);
    }

    /// <summary>What stands at the top of a page on a day.</summary>
    /// <returns>Null for none.</returns>
    public Banner? On(BannerPage page, LocalDate day) =>
        banners.FirstOrDefault(b => !b.IsStanding && b.RunsOn(day) && b.IsAimedAt(page)) ?? StandingOn(page);

    /// <summary>What shows on a page where no other banner runs; of those as close the first.</summary>
    public Banner? StandingOn(BannerPage page) =>
        banners
            .Where(b => b is { IsStanding: true, IsOn: true } && b.IsAimedAt(page))
            .MaxBy(b => b.Targets.Where(t => t.Includes(page)).Max(t => t.Closeness));

    /// <summary>What stands at the top of a page from one day to another, as days that follow one another.</summary>
    /// <remarks>
    /// Runs are laid over one another from the last banner to the first: as many steps as there are runs, and one for
    /// each day.
    /// </remarks>
    public ImmutableArray<BannerSpan> Over(BannerPage page, LocalDate first, LocalDate last)
    {
        var days = Period.DaysBetween(first, last) + 1;
        if (days <= 0)
            return [];
        var shown = new string?[days];
        Array.Fill(shown, StandingOn(page)?.Id);
        foreach (var banner in banners.Reverse().Where(b => !b.IsStanding && b.IsAimedAt(page)))
        foreach (var run in banner.RunsWithin(first, last))
            Array.Fill(
                shown,
                banner.Id,
                Period.DaysBetween(first, run.From),
                Period.DaysBetween(run.From, run.Until) + 1
            );
        return Joined(shown, first);
    }

    /// <summary>Days after one and up to another on which the top of a page becomes another.</summary>
    public IEnumerable<LocalDate> ChangesWithin(BannerPage page, LocalDate after, LocalDate last) =>
        Over(page, after, last).Skip(1).Select(span => span.From);

    /// <summary>
    /// Of many pages at once: pages at which the same banners are aimed have the same days, worked out once.
    /// </summary>
    public IReadOnlyDictionary<string, ImmutableArray<BannerSpan>> OverAll(
        IEnumerable<BannerPage> pages,
        LocalDate first,
        LocalDate last
    )
    {
        var known = new Dictionary<string, ImmutableArray<BannerSpan>>();
        return pages.ToDictionary(
            p => p.Id,
            page =>
            {
                var aimed = string.Concat(banners.Select(b => b.IsAimedAt(page) ? '1' : '0')) + StandingOn(page)?.Id;
                if (!known.TryGetValue(aimed, out var spans))
                    known[aimed] = spans = Over(page, first, last);
                return spans;
            }
        );
    }

    private static ImmutableArray<BannerSpan> Joined(string?[] shown, LocalDate first)
    {
        var spans = ImmutableArray.CreateBuilder<BannerSpan>();
        for (var (from, i) = (0, 1); i <= shown.Length; i++)
            if (i == shown.Length || shown[i] != shown[from])
            {
                spans.Add(new(first.PlusDays(from), first.PlusDays(i - 1), shown[from]));
                from = i;
            }
        return spans.ToImmutable();
    }
}
