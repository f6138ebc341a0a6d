using System.Collections.Immutable;
using NodaTime;

namespace Dekoro.Core.Banners;

/// <summary>A banner that is on and shows on no page on any day of a time, and why.</summary>
/// <param name="CoveredBy">Names of those that stand on its pages on its days; none where that is not why.</param>
public sealed record Unseen(string BannerId, string Sentence, ImmutableArray<string> CoveredBy)
{
    /// <summary>Banners that nobody sees from one day to another.</summary>
    public static IEnumerable<Unseen> Of(
        BannerOrder order,
        IReadOnlyList<BannerPage> pages,
        LocalDate first,
        LocalDate last
    )
    {
        var over = order.OverAll(pages, first, last);
        var seen = over.Values.SelectMany(spans => spans).Select(s => s.BannerId).OfType<string>().ToHashSet();
        foreach (var banner in order.All.Where(b => b.IsOn && !seen.Contains(b.Id)))
        {
            var aimed = pages.Where(banner.IsAimedAt).ToList();
            var runs = banner.RunsWithin(first, last).ToList();
            if (aimed.Count == 0)
                yield return new(banner.Id, "It stands on no page: choose where it is shown.", []);
            else if (runs.Count > 0)
            {
                var ids = aimed
                    .SelectMany(p => over[p.Id])
                    .Where(s => runs.Any(r => r.From <= s.Until && r.Until >= s.From))
                    .Select(s => s.BannerId)
                    .ToHashSet();
                ImmutableArray<string> names = [.. order.All.Where(b => ids.Contains(b.Id)).Select(b => b.Name)];
                yield return new(
                    banner.Id,
                    $"Never shown: {string.Join(", ", names)} {(names.Length == 1 ? "covers" : "cover")} all its days. "
                        + "Move it up, or change its dates.",
                    names
                );
            }
        }
    }
}
