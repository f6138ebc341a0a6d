using System.Globalization;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Colour;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Checks;

/// <summary>Whether the arrows and steps of a slider can be seen against what lies under them.</summary>
public static class ControlsCheck
{
    /// <summary>
    /// Whether the pictures have to be measured: only where neither plate nor edge would stand out from just any
    /// picture.
    /// </summary>
    public static bool NeedsPictures(Slider slider, SiteColours colours) =>
        (slider.Arrows == ArrowsAt.Inside || (slider.Controls.StepsInside && slider.Steps == Indicators.Dots))
        && slider.Controls.LeastOverAny(colours) < SliderControls.Needed;

    /// <returns>Sentences; none where all is well.</returns>
    /// <param name="gridOf">A picture at a few samples; null where it is not measured.</param>
    public static IEnumerable<string> FindingsOf(
        ArrangementPlan set,
        IReadOnlyDictionary<string, FigurePlan> figures,
        Func<string, ColourGrid?> gridOf
    )
    {
        if (set.IsGallery || WidthClasses.All.All(c => set.Stops[c].Length < 2))
            yield break;
        var (slider, colours) = (set.Block.Arrangement.Slider, set.Page.Style.Colours);
        if (slider is { Arrows: ArrowsAt.None, Steps: Indicators.None, Counter: false, PeekPx: 0, PlaysItself: false })
            yield return "Nothing shows that more pictures follow: give it arrows or dots, or let part of the next one "
                + "show.";
        var onPaper = slider.Controls.DotsOn(colours).ContrastWith(Srgb.Parse(colours.Paper));
        if (
            slider.Steps == Indicators.Dots
            && WidthClasses.All.Any(c => !set.StepsStandInside(c))
            && onPaper < SliderControls.Needed
        )
            yield return string.Create(
                CultureInfo.InvariantCulture,
                $"Its dots are hard to see on the page's paper: {Contrast.Shown(onPaper)} : 1, where they need "
                    + $"{SliderControls.Needed:0} : 1. Choose another colour for them."
            );
        if (!NeedsPictures(slider, colours))
            yield break;
        var (plate, mark) = (slider.Controls.PlateOn(colours), slider.Controls.MarkOn(colours));
        var worst = WidthClasses
            .All.SelectMany(c =>
                set.Figures.Select(f => figures.GetValueOrDefault(f.Id))
                    .OfType<FigurePlan>()
                    .Select(figure =>
                        gridOf(figure.Main.Picture.Id) is { } grid
                            ? WorstOf(set, c, figure.Main, grid, plate, mark)
                            : double.PositiveInfinity
                    )
            )
            .DefaultIfEmpty(double.PositiveInfinity)
            .Min();
        if (worst < SliderControls.Needed)
            yield return string.Create(
                CultureInfo.InvariantCulture,
                $"Over one of its pictures the buttons are hard to see: {worst:0.0} : 1, where they need "
                    + $"{SliderControls.Needed:0} : 1. Choose a lighter or a darker colour for them."
            );
    }

    private static double WorstOf(
        ArrangementPlan set,
        WidthClass c,
        PlannedCut cut,
        ColourGrid grid,
        Srgb plate,
        Srgb mark
    )
    {
        var box = set.Layouts[c].Boxes[0];
        var width = box.WidthAt(set.Room.At(set.Page.Style.Classes.ReferencePx[c]));
        var height = width / box.Shape;
        var controls = set.Block.Arrangement.Slider.Controls;
        var places = new List<BoxPx>();
        if (set.Block.Arrangement.Slider.Arrows == ArrowsAt.Inside)
            places.AddRange(
                new[] { ArrangementPlan.ArrowInsetPx, width - ArrangementPlan.ArrowInsetPx - controls.ArrowPx }.Select(
                    left => new BoxPx(left, (height - controls.ArrowPx) / 2, controls.ArrowPx, controls.ArrowPx)
                )
            );
        // Over several in view they may lie over any part of one's foot.
        if (set.StepsStandInside(c))
            places.Add(
                new(0, height - ArrangementPlan.StepsInsidePx(controls), width, ArrangementPlan.StepsInsidePx(controls))
            );
        return places
            .Select(place =>
                Readability.WorstOf([
                    .. place
                        .Squares(Readability.SamplePx)
                        .Select(At)
                        .Select(under => Math.Max(plate.ContrastWith(under), mark.ContrastWith(under))),
                ])
            )
            .DefaultIfEmpty(double.PositiveInfinity)
            .Min();

        Srgb At(BoxPx square)
        {
            var (picture, per) = (cut.Picture.Size, cut.Cut.Width / width);
            return grid.MeanOf(
                (cut.Cut.X + square.Left * per) / picture.Width,
                (cut.Cut.Y + square.Top * per) / picture.Height,
                square.Width * per / picture.Width,
                square.Height * per / picture.Height,
                plate
            );
        }
    }
}
