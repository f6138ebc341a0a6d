using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>A place that waits for a picture, and how large one is sharp there on every screen.</summary>
public sealed record EmptyPlace(FigureBlock Block, PerClass<bool> Beside, int WantsWidthPx, int WantsHeightPx)
{
    /// <summary>What a place is that has no picture yet.</summary>
    public static EmptyPlace Of(Placement stand, PageLayout layout)
    {
        var width = WidthClasses.All.Max(c =>
            Fit.SharpFromPxOf(c, stand.Box, layout.Style.Devices, layout.Style.Classes)
        );
        return new(
            stand.Figure,
            layout.BesideOf(stand.Figure),
            width,
            (int)Math.Ceiling(width / (stand.Figure.Cut.Shape ?? AspectRatio.Usual).Value)
        );
    }
}
