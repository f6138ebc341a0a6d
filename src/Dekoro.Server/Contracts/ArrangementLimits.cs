using Dekoro.Core.Arrangements;

namespace Dekoro.Server.Contracts;

/// <summary>Within what the layout of an arrangement is set.</summary>
public sealed record ArrangementLimits(
    int MostColumns,
    int MostGutterPx,
    int LeastHeightPx,
    int MostHeightPx,
    int MostCaptionLines,
    int MostInView,
    int LeastStayMs,
    int MostStayMs,
    int MostChangeMs,
    int MostPerSheet,
    int UsualPerSheet,
    int MostPeekPx,
    int LeastWidePx,
    int MostWidePx
)
{
    /// <summary>As they are in the core.</summary>
    public static ArrangementLimits Here { get; } =
        new(
            Gallery.MaxColumns,
            Gallery.MaxGutterPx,
            Gallery.MinHeightPx,
            Gallery.MaxHeightPx,
            Gallery.MaxCaptionLines,
            Slider.MaxInView,
            Slider.MinStayMs,
            Slider.MaxStayMs,
            Slider.MaxChangeMs,
            Paging.Max,
            Paging.UsualPerSheet,
            Slider.MaxPeekPx,
            Gallery.MinWidePx,
            Gallery.MaxWidePx
        );
}
