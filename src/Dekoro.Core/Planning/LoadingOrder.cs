using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>When each picture of a page is fetched.</summary>
internal static class LoadingOrder
{
    /// <summary>
    /// What begins in a class's first screen is fetched at once; of those, the largest on the class with the most
    /// visits goes first.
    /// </summary>
    public static Dictionary<string, Loading> Of(LaidPage laid, ILookup<string, Place> places, PlanFacts facts)
    {
        var (page, style) = (laid.Page, facts.Style);
        var result = page.Figures.ToDictionary(f => f.Id, _ => Loading.Later);
        var byVisits = WidthClasses.All.OrderByDescending(c => style.Devices.In(c, style.Classes).Sum(d => d.Share));
        string? first = null;
        foreach (var c in byVisits)
        {
            var seen = laid.InFirstScreen(c)
                .SelectMany(l => l.Block.Line.OfType<LinePicture>().Select(one => one.Figure.Id).Prepend(l.Block.Id))
                .ToHashSet();
            var inView = page.Figures.Where(f => PlaceOn(f, c) is not null && seen.Contains(f.Id)).ToList();
            foreach (var f in inView)
                result[f.Id] = Loading.AtOnce;
            first ??= inView.MaxBy(f => AreaAt(f, c))?.Id;
        }
        if (first is not null)
            result[first] = Loading.First;
        return result;

        double AreaAt(FigureBlock f, WidthClass c)
        {
            var place = PlaceOn(f, c)!;
            var w = place.Slot.At(style.Classes.ReferencePx[c]);
            return w * w / place.Cut.Shape.Value;
        }

        Place? PlaceOn(FigureBlock f, WidthClass c) => places[f.Id].FirstOrDefault(p => p.On[c]);
    }
}
