using System.Collections.Immutable;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Delivery;

/// <summary>
/// The widths to make of one picture in one cut, so that every device that meets it anywhere on the site gets a file
/// close to the size it needs.
/// </summary>
/// <param name="WidthsPx">Ascending; at least one; none wider than the cut.</param>
/// <param name="WorstRatio">Over the picture's places, the largest expected bytes / bytes of exact-size files.</param>
public sealed record Ladder(ImmutableArray<int> WidthsPx, double WorstRatio)
{
    /// <summary>The most widths one picture is made in.</summary>
    public const int MaxWidths = 8;

    /// <summary>From one width to the next at least.</summary>
    public const double WantedRatio = 1.10;

    /// <summary>
    /// What each device of a profile wants of a slot: slot px × ratio, never more than the cut has. Where a slot is
    /// shown only at widths that no device of the profile has, a dense screen at its beginning stands for them.
    /// </summary>
    public static ImmutableArray<Demand> DemandsOf(SlotWidth slot, DeviceProfile profile, int cutWidthPx)
    {
        var demands = profile
            .Devices.Where(d => slot.At(d.ViewportCssPx) > 0)
            .Select(d => new Demand(DemandPx(slot.At(d.ViewportCssPx), d.PixelRatio, cutWidthPx), d.Share))
            .ToImmutableArray();
        if (!demands.IsEmpty)
            return demands;
        var shownFrom = slot.Segments.Select(s => s.FromPx).FirstOrDefault(from => slot.At(from) > 0);
        return [new(DemandPx(slot.At(shownFrom), Fit.MaxRatio, cutWidthPx), 1)];
    }

    /// <summary>The least K widths with which every place is within <see cref="WantedRatio"/>, at most eight.</summary>
    /// <param name="places">The demands of each place of this picture in this cut; at least one place.</param>
    /// <param name="bytes">Expected bytes of a file of a width.</param>
    /// <param name="counts">How many places each of them stands for; null for one.</param>
    /// <remarks>
    /// For a given K the expected bytes Σ share·bytes(smallest chosen ≥ demand) are least when neighbours are served by
    /// their maximum: an exact dynamic programme over the n distinct demands, O(K·n²). Places count equally, each
    /// against its own exact-size bytes. Where eight widths leave one place above, they are moved one at a time for as
    /// long as the worst place gains: three or more very different places of one cut may still end a few hundredths
    /// above.
    /// </remarks>
    /// <exception cref="ArgumentException">No place.</exception>
    public static Ladder Choose(
        IReadOnlyList<ImmutableArray<Demand>> places,
        BytesModel bytes,
        IReadOnlyList<int>? counts = null
    )
    {
        if (places.Count == 0)
            throw new ArgumentException("A ladder is made for at least one place.", nameof(places));
        var ratios = LadderRatios.Of(places, bytes, counts);
        var most = Math.Min(MaxWidths, ratios.DemandsPx.Length);
        var table = LadderTable.Of(ratios, most);
        for (var k = 1; k <= most; k++)
        {
            var best = table.Best(k);
            if (k == ratios.DemandsPx.Length || ratios.WorstOf(best) <= WantedRatio)
                return Of(best);
        }
        return Of(Moved(table.Best(most), ratios));

        Ladder Of(int[] chosen)
        {
            int[] widthsPx = [.. chosen.Select(i => ratios.DemandsPx[i])];
            return new([.. widthsPx], WorstRatioOf(widthsPx, places, bytes));
        }
    }

    /// <summary>
    /// The widths that can be made of a cut: no file is wider than its cut, so wider wishes end there.
    /// </summary>
    public static int[] MakeableOf(IEnumerable<int> widthsPx, int cutWidthPx) =>
        [.. widthsPx.Select(w => Math.Min(w, cutWidthPx)).Distinct()];

    /// <summary>
    /// Over the places, the largest expected bytes / bytes of exact-size files, of any list of widths.
    /// </summary>
    public static double WorstRatioOf(
        IReadOnlyList<int> widthsPx,
        IReadOnlyList<ImmutableArray<Demand>> places,
        BytesModel bytes
    ) => places.Max(p => ExpectedBytes(widthsPx, p, bytes) / p.Sum(d => d.Share * bytes.At(d.WidthPx)));

    /// <summary>Σ share·bytes(smallest of <paramref name="widthsPx"/> ≥ demand, else the largest).</summary>
    public static double ExpectedBytes(IReadOnlyList<int> widthsPx, IEnumerable<Demand> demands, BytesModel bytes) =>
        demands.Sum(d => d.Share * bytes.At(Forecast.Take(widthsPx, d.WidthPx, 1)));

    /// <summary>
    /// Steepest descent on the worst place: each step the one move of a width that gains most. The widest stays.
    /// </summary>
    private static int[] Moved(int[] from, LadderRatios ratios)
    {
        var best = (Chosen: from, Worst: ratios.WorstOf(from));
        while (true)
        {
            from = best.Chosen;
            for (var left = 0; left < from.Length - 1; left++)
            {
                int[] others = [.. from[..left], .. from[(left + 1)..]];
                foreach (var demand in Enumerable.Range(0, from[^1]).Except(from))
                {
                    int[] moved = [.. others.TakeWhile(i => i < demand), demand, .. others.SkipWhile(i => i < demand)];
                    if (ratios.WorstOf(moved) is var worst && worst < best.Worst - 1e-9)
                        best = (moved, worst);
                }
            }
            if (from == best.Chosen || best.Worst <= WantedRatio)
                return best.Chosen;
        }
    }

    private static int DemandPx(double slotCssPx, double ratio, int cutWidthPx) =>
        Math.Clamp((int)Math.Ceiling(slotCssPx * ratio - 1e-6), 1, cutWidthPx);
}
