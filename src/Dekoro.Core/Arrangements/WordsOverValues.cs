using Dekoro.Core.Choices;
using Dekoro.Core.Colour;

namespace Dekoro.Core.Arrangements;

/// <param name="Tint">As #rrggbb.</param>
/// <param name="TintStrength">0 to 256 for phone, tablet and desktop.</param>
public sealed record WordsOverValues(
    HorizontalAlign Across,
    VerticalAlign Down,
    WordsTone Tone,
    string Tint,
    IReadOnlyList<int> TintStrength
)
{
    /// <summary>The values of words over pictures, as a form shows them.</summary>
    public static WordsOverValues Of(WordsOver w) =>
        new(w.Across, w.Down, w.Tone, w.Tint.ToString(), EachClass.Of(w.TintStrength));

    /// <returns>Null where a value cannot be.</returns>
    internal WordsOver? Read() =>
        Enum.IsDefined(Across)
        && Enum.IsDefined(Down)
        && Enum.IsDefined(Tone)
        && Srgb.TryParse(Tint, out var tint)
        && EachClass.AreWithin(TintStrength, 0, Readability.Steps)
            ? new(Across, Down, Tone, tint, EachClass.Read(TintStrength))
            : null;
}
