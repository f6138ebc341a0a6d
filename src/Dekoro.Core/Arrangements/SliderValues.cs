using Dekoro.Core.Colour;
using Dekoro.Core.Documents;
using Dekoro.Core.Geometry;
using Dekoro.Core.Widths;

namespace Dekoro.Core.Arrangements;

/// <summary>A slider as it is kept and sent; lists are for phone, tablet and desktop.</summary>
/// <param name="ControlColour">As #rrggbb; empty for the page's own.</param>
public sealed record SliderValues(
    IReadOnlyList<int> InView, IReadOnlyList<int> AdvanceBy, string Shape, int GutterPx, int StayMs, int ChangeMs, ChangeKind Change, bool PlaysItself, bool Loops, Steps Steps,
    CaptionPlace Captions, CaptionSource CaptionsFrom, bool OpensLarger, ArrowsAt Arrows = ArrowsAt.Below, bool Counter = true, int StartsWith = 1, bool Shuffles = false, bool Backwards = false, int PeekPx = 0, WordsOverValues? Words = null,
    ControlSize ControlSize = ControlSize.Usual, string ControlColour = "", bool StepsInside = false)
{
    public static SliderValues Of(Slider s) => new(EachClass.Of(s.InView), EachClass.Of(s.AdvanceBy),
        s.Shape.ToString(), s.GutterPx, s.StayMs, s.ChangeMs, s.Change, s.PlaysItself, s.Loops, s.Steps, s.Captions, s.CaptionsFrom, s.OpensLarger, s.Arrows, s.Counter, s.StartsWith, s.Shuffles, s.Backwards, s.PeekPx, WordsOverValues.Of(s.Words),
        s.Controls.Size, s.Controls.Colour?.ToString() ?? "", s.Controls.StepsInside);

    /// <returns>The slider, or the field that keeps it from being one.</returns>
    internal (Slider? Slider, string? Field, string? Sentence) Check()
    {
        if (!Enum.IsDefined(Change) || !Enum.IsDefined(Captions) || !Enum.IsDefined(CaptionsFrom)) return (null, "change", "One slide follows the other by sliding, upwards, fading or at once.");
        if (!Enum.IsDefined(Steps) || !Enum.IsDefined(Arrows)) return (null, "steps", "Steps are dots, small pictures or none; the buttons stand below, inside or nowhere.");
        if (EachClass.IsOutOf(InView, 1, Slider.MostInView)) return (null, "inView", $"From 1 to {Slider.MostInView} pictures are in view, a number for each of phone, tablet and desktop.");
        if (EachClass.IsOutOf(AdvanceBy, 1, Slider.MostInView)) return (null, "advanceBy", $"It advances by 1 to {Slider.MostInView} pictures, a number for each of phone, tablet and desktop.");
        if (WidthClasses.All.Any(c => AdvanceBy[(int)c] > InView[(int)c])) return (null, "advanceBy", "It advances by no more than are in view, or pictures would be passed over.");
        if (!AspectRatio.TryParse(Shape, out var shape) || shape.Value is < DocumentReader.NarrowestShape or > DocumentReader.WidestShape) return (null, "shape", "All slides have one shape, written 16:9, between 1:20 and 20:1.");
        if (GutterPx is < 0 or > Gallery.MostGutterPx) return (null, "gutterPx", $"The gutter is 0 to {Gallery.MostGutterPx} px.");
        if (StayMs is < Slider.LeastStayMs or > Slider.MostStayMs) return (null, "stayMs", StaySentence);
        if (ChangeMs is < 0 or > Slider.MostChangeMs) return (null, "changeMs", $"A change takes 0 to {Slider.MostChangeMs / 1000} s.");
        if (ChangeMs > StayMs) return (null, "changeMs", "A change takes no longer than a slide stands.");
        if (StartsWith is < 1 or > Arrangement.MostItems) return (null, "startsWith", "It begins with its first picture, or another by its number.");
        if (PeekPx is < 0 or > Slider.MostPeekPx) return (null, "peekPx", $"Of what follows 0 to {Slider.MostPeekPx} px show.");
        var colour = default(Srgb);
        if (!Enum.IsDefined(ControlSize) || (ControlColour is { Length: > 0 } && !Srgb.TryParse(ControlColour, out colour))) return (null, "controls", "Buttons and steps are small, usual or large, in a colour written #rrggbb; empty is the page's own.");
        if ((Words ?? WordsOverValues.Of(WordsOver.Usual)).Read() is not { } words) return (null, "words", "Words over slides stand in one of nine fields, dark or light, over a tint written #rrggbb of 0 to 256 for each of phone, tablet and desktop.");
        return (new(EachClass.Read(InView), EachClass.Read(AdvanceBy), shape, GutterPx, StayMs, ChangeMs, Change, PlaysItself, Loops, Steps, Captions, CaptionsFrom, OpensLarger)
        {
            Arrows = Arrows,
            Counter = Counter,
            StartsWith = StartsWith,
            Shuffles = Shuffles,
            Backwards = Backwards,
            PeekPx = PeekPx,
            Words = words,
            Controls = new(ControlSize, ControlColour is { Length: > 0 } ? colour : null, StepsInside),
        }, null, null);
    }

    internal static string StaySentence { get; } = $"A slide stands for {Slider.LeastStayMs / 1000} to {Slider.MostStayMs / 1000} s.";

}

/// <param name="Tint">As #rrggbb.</param>
/// <param name="TintStrength">0 to 256 for phone, tablet and desktop.</param>
public sealed record WordsOverValues(Side Across, Down Down, WordsTone Tone, string Tint, IReadOnlyList<int> TintStrength)
{
    public static WordsOverValues Of(WordsOver w) => new(w.Across, w.Down, w.Tone, w.Tint.ToString(), EachClass.Of(w.TintStrength));

    /// <returns>Null where a value cannot be.</returns>
    internal WordsOver? Read() =>
        Enum.IsDefined(Across) && Enum.IsDefined(Down) && Enum.IsDefined(Tone) && Srgb.TryParse(Tint, out var tint) && !EachClass.IsOutOf(TintStrength, 0, Readability.Steps)
            ? new(Across, Down, Tone, tint, EachClass.Read(TintStrength)) : null;
}
