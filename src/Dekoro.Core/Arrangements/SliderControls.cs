using Dekoro.Core.Colour;
using Dekoro.Core.Geometry;

namespace Dekoro.Core.Arrangements;

/// <summary>How the buttons and steps of a slider look.</summary>
/// <param name="Colour">Of the plates behind arrows and of dots; null for the page's own paper and ink.</param>
/// <param name="StepsInside">Over the pictures, at their foot; where they find no room in one line they stand
/// below.</param>
public sealed record SliderControls(ControlSize Size, Srgb? Colour, bool StepsInside)
{
    /// <summary>
    /// What has to be seen to be used stands out from what lies round it by so much (WCAG 2.2, SC 1.4.11).
    /// </summary>
    public const double Needed = 3;

    /// <summary>Of small pictures as steps.</summary>
    public static AspectRatio StepShape { get; } = AspectRatio.Of(5, 4);

    /// <summary>What a new slider begins with.</summary>
    public static SliderControls Usual { get; } = new(ControlSize.Usual, null, false);

    /// <summary>Across an arrow, CSS px.</summary>
    public int ArrowPx => Of(36, 44, 56);

    /// <summary>
    /// Across what a finger meets of a dot, and across the dot, CSS px; the first is never less than SC 2.5.8 wants.
    /// </summary>
    public int DotPx => Of(24, 24, 32);

    /// <summary>Across what is seen of a dot, CSS px.</summary>
    public int MarkPx => Of(10, 13, 16);

    /// <summary>Across a small picture as a step with the room beside it, CSS px.</summary>
    public int PicturePx => Of(48, 64, 80);

    /// <summary>How high a button of the bar is, CSS px.</summary>
    public int ButtonPx => Of(28, 32, 44);

    /// <summary>The colour under marks: their own, or the site's paper.</summary>
    public Srgb PlateOn(SiteColours site) => Colour ?? Srgb.Parse(site.Paper);

    /// <summary>
    /// What is drawn on a plate and round it: that of the page's colours, black and white which stands out most.
    /// </summary>
    public Srgb MarkOn(SiteColours site) =>
        Colour is not { } plate
            ? Srgb.Parse(site.Ink)
            : new[] { Srgb.Parse(site.Ink), Srgb.Parse(site.Paper), Srgb.Black, Srgb.White }.MaxBy(plate.ContrastWith);

    /// <summary>Dots on the page's paper.</summary>
    public Srgb DotsOn(SiteColours site) => Colour ?? Srgb.Parse(site.Ink);

    /// <summary>
    /// What a plate with its edge stands out by from any picture at least: where a picture comes between the two
    /// colours, it is furthest from the nearer one where its contrast to both is the same, the root of theirs.
    /// </summary>
    public double LeastOverAny(SiteColours site) => Math.Sqrt(PlateOn(site).ContrastWith(MarkOn(site)));

    private int Of(int small, int usual, int large) =>
        Size switch
        {
            ControlSize.Small => small,
            ControlSize.Large => large,
            _ => usual,
        };
}
