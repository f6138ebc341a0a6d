using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Publishing;

/// <summary>The widths over which a figure shows one and the same cut, or nothing.</summary>
/// <param name="FromPx">Viewport, CSS px; the first source that fits is taken, so steps go from the widest
/// down.</param>
/// <param name="ToPx">Where the next wider step begins; infinite for the widest.</param>
internal sealed record WidthStep(double FromPx, double ToPx, PlannedCut? Cut)
{
    /// <summary>Of the source elements, in whose order wider steps come first.</summary>
    public string Media => string.Create(CultureInfo.InvariantCulture, $"(min-width: {FromPx}px)");

    /// <summary>By itself, for a link in the head of the page; empty where it holds at every width.</summary>
    public string MediaAlone =>
        string.Join(
            " and ",
            new[]
            {
                FromPx > 0 ? Media : null,
                double.IsInfinity(ToPx)
                    ? null
                    : string.Create(CultureInfo.InvariantCulture, $"(max-width: {ToPx - 0.02:0.##}px)"),
            }.OfType<string>()
        );

    /// <summary>What <c>sizes</c> has to say of a cut at these widths.</summary>
    public SlotWidth SlotOf(PlannedCut cut) => Cut is null ? cut.Slot : cut.Slot.Only(FromPx, ToPx);

    /// <summary>From the widest down; at least one.</summary>
    public static ImmutableArray<WidthStep> Of(FigurePlan figure, WidthClasses classes)
    {
        var steps = ImmutableArray.CreateBuilder<WidthStep>();
        foreach (var c in WidthClasses.All.Reverse())
        {
            var cut = figure.On(c);
            if (steps.Count > 0 && ReferenceEquals(steps[^1].Cut, cut))
                steps[^1] = steps[^1] with { FromPx = classes.FromPx(c) };
            else
                steps.Add(new(classes.FromPx(c), steps.Count > 0 ? steps[^1].FromPx : double.PositiveInfinity, cut));
        }
        return steps.ToImmutable();
    }
}
