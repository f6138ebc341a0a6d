using System.Collections.Immutable;
using Dekoro.Core.Content;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Layout;

/// <summary>
/// Where the pieces of one page come to stand on each class of screen, worked out when it is asked for and no further:
/// what lies in the first screen, and what stands over grounds.
/// </summary>
public sealed class LaidPage(Document page, Func<FigureBlock, PictureFacts?> pictureOf, PageLayout layout)
{
    private readonly Dictionary<string, PerClass<ImmutableArray<Laid>>> _within = [];
    private readonly Dictionary<string, ArrangementPlan> _sets = [];

    /// <summary>The pieces it lays.</summary>
    public Document Page => page;

    /// <summary>Where the pictures of an arrangement stand; null where it is no more or shows none.</summary>
    public ArrangementPlan? SetOf(ResolvedArrangement block)
    {
        if (!_sets.TryGetValue(block.Id, out var plan) && ArrangementPlan.Of(block, pictureOf, layout) is { } made)
            _sets[block.Id] = plan = made;
        return plan;
    }

    /// <summary>The pieces that begin in a class's first screen; of the others not all.</summary>
    public IEnumerable<Laid> InFirstScreen(WidthClass c) =>
        PageFlow
            .Of(page, pictureOf, layout, c, SetOf, layout.Style.FirstScreenPx[c])
            .Where(l => l.Box.Top < layout.Style.FirstScreenPx[c]);

    /// <summary>
    /// A band or cell, or the columns that hold it, with all that stands in them, from their own top.
    /// </summary>
    public ImmutableArray<Laid> Within(string groundedId, WidthClass c)
    {
        var top = page.Blocks.First(b => b.Id == groundedId || GroundedIn(b).Any(g => g.Id == groundedId));
        if (!_within.TryGetValue(top.Id, out var laid))
            _within[top.Id] = laid = new PerClass<int>().Select(
                (on, _) => PageFlow.Of(new Document([top]), pictureOf, layout, on, SetOf)
            );
        return laid[c];
    }

    /// <summary>The box of a band or cell, from the top of what holds it.</summary>
    public BoxPx BoxOf(string groundedId, WidthClass c) =>
        Within(groundedId, c).First(l => l.Block.Id == groundedId).Box;

    /// <summary>How high a band or cell is on each class, CSS px.</summary>
    public PerClass<double> HeightsOf(string groundedId) =>
        new PerClass<int>().Select((c, _) => BoxOf(groundedId, c).Height);

    private static IEnumerable<BackdropBlock> GroundedIn(Block block) => new Document([block]).Backdrops;
}
