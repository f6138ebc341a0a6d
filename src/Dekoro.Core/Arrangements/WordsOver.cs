using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Arrangements;

/// <summary>How words stand over slides, said once for all.</summary>
/// <param name="Across">Which of nine fields, with <paramref name="Down"/>.</param>
/// <param name="TintStrength">0 to 256 for each class of screen; over the slides that have words.</param>
public sealed record WordsOver(
    HorizontalAlign Across,
    VerticalAlign Down,
    WordsTone Tone,
    Srgb Tint,
    PerClass<int> TintStrength
)
{
    /// <summary>What a new slider begins with.</summary>
    public static WordsOver Usual { get; } =
        new(HorizontalAlign.Left, VerticalAlign.Bottom, WordsTone.Light, Srgb.Black, new(128, 128, 128));
}
