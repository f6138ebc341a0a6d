using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Arrangements;

/// <summary>A slider as it is kept and sent; lists are for phone, tablet and desktop.</summary>
/// <param name="ControlColour">As #rrggbb; empty for the page's own.</param>
public sealed record SliderValues(
    IReadOnlyList<int> InView,
    IReadOnlyList<int> AdvanceBy,
    string Shape,
    int GutterPx,
    int StayMs,
    int ChangeMs,
    ChangeKind Change,
    bool PlaysItself,
    bool Loops,
    Indicators Steps,
    CaptionPlace Captions,
    CaptionSource CaptionsFrom,
    bool OpensLarger,
    ArrowsAt Arrows = ArrowsAt.Below,
    bool Counter = true,
    int StartsWith = 1,
    bool Shuffles = false,
    bool Backwards = false,
    int PeekPx = 0,
    WordsOverValues? Words = null,
    ControlSize ControlSize = ControlSize.Usual,
    string ControlColour = "",
    bool StepsInside = false
)
{
    /// <summary>The values of a slider, as a form shows them.</summary>
    public static SliderValues Of(Slider s) =>
        new(
            EachClass.Of(s.InView),
            EachClass.Of(s.AdvanceBy),
            s.Shape.ToString(),
            s.GutterPx,
            s.StayMs,
            s.ChangeMs,
            s.Change,
            s.PlaysItself,
            s.Loops,
            s.Steps,
            s.Captions,
            s.CaptionsFrom,
            s.OpensLarger,
            s.Arrows,
            s.Counter,
            s.StartsWith,
            s.Shuffles,
            s.Backwards,
            s.PeekPx,
            WordsOverValues.Of(s.Words),
            s.Controls.Size,
            s.Controls.Colour?.ToString() ?? "",
            s.Controls.StepsInside
        );

    /// <returns>The slider; null where a rule does not hold.</returns>
    internal Slider? Read(FieldRules rules)
    {
        CheckChoices(rules);
        CheckCounts(rules);
        CheckTimes(rules);
        var hasShape = AspectRatio.TryParse(Shape, out var shape) && shape.MayBeChosen();
        rules.Holds(hasShape, "shape", "All slides have one shape, written 16:9, between 1:20 and 20:1.");
        var hasColour = Srgb.TryParse(ControlColour ?? "", out var colour);
        rules.Holds(
            Enum.IsDefined(ControlSize) && (hasColour || ControlColour is not { Length: > 0 }),
            "controls",
            "Buttons and steps are small, usual or large, in a colour written #rrggbb; empty is the page's own."
        );
        var words = (Words ?? WordsOverValues.Of(WordsOver.Usual)).Read();
        rules.Holds(
            words is not null,
            "words",
            "Words over slides stand in one of nine fields, dark or light, over a tint written #rrggbb of "
                + "0 to 256 for each of phone, tablet and desktop."
        );
        return rules.AllHold
            ? new(
                EachClass.Read(InView),
                EachClass.Read(AdvanceBy),
                shape,
                GutterPx,
                StayMs,
                ChangeMs,
                Change,
                PlaysItself,
                Loops,
                Steps,
                Captions,
                CaptionsFrom,
                OpensLarger
            )
            {
                Arrows = Arrows,
                Counter = Counter,
                StartsWith = StartsWith,
                Shuffles = Shuffles,
                Backwards = Backwards,
                PeekPx = PeekPx,
                Words = words!,
                Controls = new(ControlSize, hasColour ? colour : null, StepsInside),
            }
            : null;
    }

    private void CheckChoices(FieldRules rules)
    {
        rules.Holds(
            Enum.IsDefined(Change) && Enum.IsDefined(Captions) && Enum.IsDefined(CaptionsFrom),
            "change",
            "One slide follows the other by sliding, upwards, fading or at once."
        );
        rules.Holds(
            Enum.IsDefined(Steps) && Enum.IsDefined(Arrows),
            "steps",
            "Steps are dots, small pictures or none; the buttons stand below, inside or nowhere."
        );
    }

    private void CheckCounts(FieldRules rules)
    {
        var hasView = rules.Holds(
            EachClass.AreWithin(InView, 1, Slider.MaxInView),
            "inView",
            $"From 1 to {Slider.MaxInView} pictures are in view, a number for each of phone, tablet and desktop."
        );
        var hasAdvance = rules.Holds(
            EachClass.AreWithin(AdvanceBy, 1, Slider.MaxInView),
            "advanceBy",
            $"It advances by 1 to {Slider.MaxInView} pictures, a number for each of phone, tablet and desktop."
        );
        if (hasView && hasAdvance)
            rules.Holds(
                WidthClasses.All.All(c => AdvanceBy[(int)c] <= InView[(int)c]),
                "advanceBy",
                "It advances by no more than are in view, or pictures would be passed over."
            );
        rules.Within("gutterPx", GutterPx, 0, Gallery.MaxGutterPx, $"The gutter is 0 to {Gallery.MaxGutterPx} px.");
        rules.Within(
            "startsWith",
            StartsWith,
            1,
            Arrangement.MaxItems,
            "It begins with its first picture, or another by its number."
        );
        rules.Within("peekPx", PeekPx, 0, Slider.MaxPeekPx, $"Of what follows 0 to {Slider.MaxPeekPx} px show.");
    }

    private void CheckTimes(FieldRules rules)
    {
        rules.Within("stayMs", StayMs, Slider.MinStayMs, Slider.MaxStayMs, StaySentence);
        rules.Within(
            "changeMs",
            ChangeMs,
            0,
            Slider.MaxChangeMs,
            $"A change takes 0 to {Slider.MaxChangeMs / 1000} s."
        );
        rules.Holds(ChangeMs <= StayMs, "changeMs", "A change takes no longer than a slide stands.");
    }

    internal static string StaySentence { get; } =
        $"A slide stands for {Slider.MinStayMs / 1000} to {Slider.MaxStayMs / 1000} s.";
}
