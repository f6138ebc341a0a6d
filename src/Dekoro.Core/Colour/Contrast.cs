namespace Dekoro.Core.Colour;

/// <param name="Ratio">Reached or passed on all but the worst twentieth of what lies under the words.</param>
public readonly record struct Contrast(double Ratio, double Needed)
{
    /// <summary>Whether what is read can be read.</summary>
    public bool IsEnough => Ratio >= Needed;
}
