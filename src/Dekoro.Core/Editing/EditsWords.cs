using System.Globalization;

namespace Dekoro.Core.Editing;

/// <summary>What was done to a picture, in a few words.</summary>
public static class EditsWords
{
    /// <summary>What was done to a picture, in words.</summary>
    public static string Of(Edits edits)
    {
        if (edits.IsNone)
            return "Original";
        var words = new List<string>();
        if (edits.Window != Edits.None.Window)
            words.Add("cut");
        if (edits.QuarterTurns != 0)
            words.Add("turned");
        if (edits.IsMirrored)
            words.Add("mirrored");
        if (edits.StraightenDeg != 0)
            words.Add(string.Create(CultureInfo.InvariantCulture, $"straightened {edits.StraightenDeg:+0.#;−0.#}°"));
        var a = edits.Adjustments;
        Add(a.Light, "lighter", "darker");
        Add(a.Contrast, "more contrast", "less contrast");
        Add(a.Shadows, "shadows lifted", "shadows deepened");
        Add(a.Colour, "more colour", "less colour");
        Add(a.Warmth, "warmer", "cooler");
        Add(a.Sharpen, "sharpened", "");
        var text = string.Join(", ", words);
        return char.ToUpperInvariant(text[0]) + text[1..];

        void Add(int value, string more, string less)
        {
            if (value != 0)
                words.Add(value > 0 ? more : less);
        }
    }
}
