namespace Dekoro.Core.Colour;

/// <param name="Ratio">Reached or passed on all but the worst twentieth of what lies under the words.</param>
public readonly record struct Contrast(double Ratio, double Needed)
{
    /// <summary>Whether what is read can be read.</summary>
    public bool IsEnough => Ratio >= Needed;

    /// <summary>A ratio as it is written: never rounded up to what it does not reach.</summary>
    public static string Shown(double ratio) => $"{Math.Floor(ratio * 10) / 10:0.0}";
}
