using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Planning;

/// <summary>A picture as it would stand in a place.</summary>
/// <param name="Fits">Null where it is not shown.</param>
/// <param name="Waste">Share of the picture that the cut leaves out, 0 to 1.</param>
public sealed record Standing(PictureFacts Picture, Cut Cut, KeepLoss Loss, PerClass<Fit?> Fits, double Waste)
{
    /// <summary>The worst over all screens.</summary>
    public FitWord Word => (FitWord)WidthClasses.All.Max(c => (int)(Fits[c]?.Word ?? FitWord.Sharp));
}
