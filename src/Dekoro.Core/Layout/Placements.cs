using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Responsive;
using Dekoro.Core.Site;

namespace Dekoro.Core.Layout;

/// <summary>Where every picture of a page stands.</summary>
internal sealed class Placements(PageLayout layout, LaidPage page)
{
    public IEnumerable<Placement> All => page.Page.Blocks.SelectMany(block => Of(block, Setting.Column));

    private IEnumerable<Placement> Of(Block block, Setting setting) =>
        block switch
        {
            FigureBlock figure => StandsOf(figure, f => layout.SlotOf(f.Size)),
            ColumnsBlock columns => layout.CellOf(columns.InRow, columns.Extent) is var slot
                ? columns.Cells.SelectMany(cell => Behind(cell, slot).Concat(InCell(cell, Inside(slot, cell))))
                : [],
            ResolvedArrangement set => page.SetOf(set) is { } plan ? plan.Placements : [],
            BandBlock band => Behind(band, layout.Page).Concat(band.Blocks.SelectMany(one => InBand(band, one))),
            _ => InLines(block, layout.Column, setting),
        };

    /// <summary>A line that is left out at a width takes its pictures along.</summary>
    private IEnumerable<Placement> InBand(BandBlock band, Block piece)
    {
        var on = new PerClass<int>().Select((c, _) => !band.IsLeftOut(piece, c));
        return WidthClasses.All.All(c => on[c])
            ? Of(piece, Setting.Band)
            : Of(piece, Setting.Band)
                .Where(_ => WidthClasses.All.Any(c => on[c]))
                .Select(stands =>
                    stands with
                    {
                        On = on,
                        Box = SlotWidth.PerClass(
                            on.Select((_, isOn) => isOn ? stands.Box : SlotWidth.None),
                            layout.Style.Classes
                        ),
                    }
                );
    }

    private IEnumerable<Placement> InCell(CellBlock cell, SlotWidth slot) =>
        cell.Blocks.SelectMany(one =>
            one is FigureBlock figure ? StandsOf(figure, _ => slot) : InLines(one, slot, Setting.Cell)
        );

    private IEnumerable<Placement> InLines(Block words, SlotWidth room, Setting setting) =>
        Walk.Over([words])
            .SelectMany(piece => piece.Figures())
            .Select(figure => new Placement(figure, layout, new(true, true, true), room, null)
            {
                InLinePx = TypeScale.InLinePx(
                    ((FigureSize.InLine)figure.Size).Height,
                    TypeScale.Of(words, layout.Style, setting)
                ),
            });

    private IEnumerable<Placement> Behind(BackdropBlock block, SlotWidth slot) =>
        block.Behind is { } behind
            ? block
                .Followers.Select(f => f.Figure)
                .Prepend(behind)
                .SelectMany(figure => StandsOf(figure, _ => slot, page.HeightsOf(block.Id)))
            : [];

    // One for each picture and cut that the figure shows on one class of screen or another, the widest first.
    private IEnumerable<Placement> StandsOf(
        FigureBlock figure,
        Func<FigureBlock, SlotWidth> slotOf,
        PerClass<double>? coveredPx = null
    )
    {
        var framePx = layout.Style.LookOf(figure.FrameStyle).FramePx;
        var shown = WidthClasses
            .All.Reverse()
            .Where(c => !figure.IsHiddenOn(c))
            .Select(c => (Class: c, Figure: figure.On(c)));
        foreach (var same in shown.GroupBy(s => (s.Figure.AssetId, s.Figure.Cut)))
        {
            var byClass = same.ToDictionary(s => s.Class, s => s.Figure);
            var on = new PerClass<bool>().Select((c, _) => byClass.ContainsKey(c));
            yield return new(
                same.First().Figure,
                layout,
                on,
                SlotWidth.PerClass(
                    on.Select((c, isOn) => isOn ? slotOf(byClass[c]).Framed(framePx) : SlotWidth.None),
                    layout.Style.Classes
                ),
                coveredPx
            );
        }
    }

    private static SlotWidth Inside(SlotWidth slot, CellBlock cell) =>
        PageLayout.PaddingOf(cell) is > 0 and var padding
            ? slot.Within(Affine.Container - Affine.Px(2 * padding))
            : slot;
}
