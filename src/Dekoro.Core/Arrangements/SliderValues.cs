using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Arrangements;

/// <summary>A slider as it is kept and sent; lists are for phone, tablet and desktop.</summary>
public sealed record SliderValues(
    IReadOnlyList<int> InView, IReadOnlyList<int> AdvanceBy, string Shape, int GutterPx, int StayMs, int ChangeMs, ChangeKind Change, bool PlaysItself, bool Loops, bool Dots,
    CaptionPlace Captions, CaptionSource CaptionsFrom, bool OpensLarger)
{
    public static SliderValues Of(Slider s) => new([s.InView.Phone, s.InView.Tablet, s.InView.Desktop], [s.AdvanceBy.Phone, s.AdvanceBy.Tablet, s.AdvanceBy.Desktop],
        s.Shape.ToString(), s.GutterPx, s.StayMs, s.ChangeMs, s.Change, s.PlaysItself, s.Loops, s.Dots, s.Captions, s.CaptionsFrom, s.OpensLarger);

    /// <returns>The slider, or the field that keeps it from being one.</returns>
    internal (Slider? Slider, string? Field, string? Sentence) Check()
    {
        if (!Enum.IsDefined(Change) || !Enum.IsDefined(Captions) || !Enum.IsDefined(CaptionsFrom)) return (null, "change", "One slide follows the other by sliding, fading or at once.");
        if (OutOf(InView)) return (null, "inView", $"From 1 to {Slider.MostInView} pictures are in view, a number for each of phone, tablet and desktop.");
        if (OutOf(AdvanceBy)) return (null, "advanceBy", $"It advances by 1 to {Slider.MostInView} pictures, a number for each of phone, tablet and desktop.");
        if (WidthClasses.All.Any(c => AdvanceBy[(int)c] > InView[(int)c])) return (null, "advanceBy", "It advances by no more than are in view, or pictures would be passed over.");
        if (!AspectRatio.TryParse(Shape, out var shape) || shape.Value is < DocumentReader.NarrowestShape or > DocumentReader.WidestShape) return (null, "shape", "All slides have one shape, written 16:9, between 1:20 and 20:1.");
        if (GutterPx is < 0 or > Gallery.MostGutterPx) return (null, "gutterPx", $"The gutter is 0 to {Gallery.MostGutterPx} px.");
        if (StayMs is < Slider.LeastStayMs or > Slider.MostStayMs) return (null, "stayMs", $"A slide stands for {Slider.LeastStayMs / 1000} to {Slider.MostStayMs / 1000} s.");
        if (ChangeMs is < 0 or > Slider.MostChangeMs) return (null, "changeMs", $"A change takes 0 to {Slider.MostChangeMs / 1000} s.");
        if (ChangeMs > StayMs) return (null, "changeMs", "A change takes no longer than a slide stands.");
        return (new(Read(InView), Read(AdvanceBy), shape, GutterPx, StayMs, ChangeMs, Change, PlaysItself, Loops, Dots, Captions, CaptionsFrom, OpensLarger), null, null);
    }

    private static PerClass<int> Read(IReadOnlyList<int> of) => new(of[0], of[1], of[2]);

    private static bool OutOf(IReadOnlyList<int>? numbers) => numbers is not { Count: 3 } || numbers.Any(n => n is < 1 or > Slider.MostInView);
}
