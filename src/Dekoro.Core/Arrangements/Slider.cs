using Dekoro.Core.Choices;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Arrangements;

/// <summary>How a slider or carousel stands and moves.</summary>
/// <param name="InView">Of a carousel, 1 to 6 for each class of screen; a slider has one.</param>
/// <param name="AdvanceBy">How many it moves by; never more than are in view.</param>
/// <param name="Shape">Of every slide: the keep area steers each cut.</param>
/// <param name="StayMs">How long a slide stands.</param>
/// <param name="ChangeMs">How long moving to the next takes.</param>
/// <param name="PlaysItself">Where it does there is always a way to pause it (WCAG 2.2, SC 2.2.2).</param>
public sealed record Slider(
    PerClass<int> InView,
    PerClass<int> AdvanceBy,
    AspectRatio Shape,
    int GutterPx,
    int StayMs,
    int ChangeMs,
    ChangeKind Change,
    bool PlaysItself,
    bool Loops,
    Indicators Steps,
    CaptionPlace Captions,
    CaptionSource CaptionsFrom,
    bool OpensLarger
)
{
    /// <summary>Bounds of what a slider may be set to: pictures, ms and CSS px.</summary>
    public const int MaxInView = 6,
        MinStayMs = 1000,
        MaxStayMs = 60_000,
        MaxChangeMs = 5000,
        MaxPeekPx = 200;

    /// <summary>Where the arrows stand.</summary>
    public ArrowsAt Arrows { get; init; }

    /// <summary>Whether it says which stop of how many is shown.</summary>
    public bool Counter { get; init; } = true;

    /// <summary>The picture it begins with, from 1; the last where there are fewer.</summary>
    public int StartsWith { get; init; } = 1;

    /// <summary>Its pictures in another order at each visit.</summary>
    public bool Shuffles { get; init; }

    /// <summary>By itself it goes to the one before.</summary>
    public bool Backwards { get; init; }

    /// <summary>So much of what follows shows at its end, CSS px.</summary>
    public int PeekPx { get; init; }

    /// <summary>How words over the pictures look.</summary>
    public WordsOver Words { get; init; } = WordsOver.Usual;

    /// <summary>Size and colour of buttons and steps.</summary>
    public SliderControls Controls { get; init; } = SliderControls.Usual;

    /// <summary>Right without touching anything.</summary>
    public static Slider Usual { get; } =
        new(
            new(1, 2, 3),
            new(1, 1, 1),
            AspectRatio.Of(16, 9),
            16,
            6000,
            500,
            ChangeKind.Slide,
            false,
            true,
            Indicators.Dots,
            CaptionPlace.Over,
            CaptionSource.Caption,
            false
        );
}
