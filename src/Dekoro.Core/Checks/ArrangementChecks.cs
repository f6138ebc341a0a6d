using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Checks;

/// <summary>What does not come out as it was meant in an arrangement.</summary>
internal static class ArrangementChecks
{
    public static IEnumerable<Notice> Of(ArrangementPlan set)
    {
        if (WidthClasses.All.Any(c => !set.Layouts[c].IsLevel))
            yield return new(
                set.Block.Id,
                "These columns cannot be made to end level: with another number of columns, or one "
                    + "picture more or less, they may."
            );
        if (set.FramedTooMuchOn.Any())
            yield return new(
                set.Block.Id,
                $"On {WidthClasses.InWords(set.FramedTooMuchOn)} border and padding take more than half of "
                    + "the smallest picture: make them thinner, or put fewer side by side."
            );
    }

    public static IEnumerable<Notice> Controls(ArrangementPlan set, PagePlan plan) =>
        ControlsCheck
            .FindingsOf(set, plan.Figures, plan.Facts.Grids.GetValueOrDefault)
            .Select(found => new Notice(set.Block.Id, found));
}
