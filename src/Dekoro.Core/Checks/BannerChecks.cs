using System.Globalization;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Checks;

/// <summary>What is to be said of the banner at the top of a page: visitors give it a glance.</summary>
internal static class BannerChecks
{
    /// <summary>What is read at a glance, in letters.</summary>
    private const int MaxTitle = 60,
        MaxText = 160;

    /// <summary>From this share on of what has to be seen, words over it take it away.</summary>
    private const double MaxCovered = 0.2;

    public static IEnumerable<Notice> Of(PagePlan plan)
    {
        if (plan.Page.Top is not { } banner)
            yield break;
        if (IsLonger<HeadingBlock>(banner, MaxTitle) || IsLonger<ParagraphBlock>(banner, MaxText))
            yield return new(
                banner.Id,
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"Visitors give a banner a glance: keep its title under {MaxTitle} letters and its text under "
                        + $"{MaxText}, and say more on the page it leads to."
                )
            );
        if (plan.Grounds.GetValueOrDefault(banner.Id) is not { } ground)
            yield break;
        var room = plan.Layout.Style.FirstScreenPx;
        var high = WidthClasses.All.Where(c => PageFlow.BarPx + ground.On[c].HeightCssPx >= room[c]).ToList();
        if (high.Count > 0)
            yield return new(
                banner.Id,
                $"On {WidthClasses.InWords(high)} the banner fills the first screen: visitors see nothing else before "
                    + "they scroll. Make it less high, or say less."
            );
        var covered = WidthClasses.All.Where(c => ground.On[c].KeepUnderWords >= MaxCovered).ToList();
        if (covered.Count > 0)
            yield return new(
                banner.Id,
                $"On {WidthClasses.InWords(covered)} its words stand over what has to be seen of the picture: choose "
                    + "another place for the words, or another keep area."
            );
    }

    private static bool IsLonger<T>(BandBlock banner, int max)
        where T : Block => banner.Blocks.OfType<T>().Any(b => b.ToPlainText().Length > max);
}
