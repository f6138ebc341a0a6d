using System.Collections.Immutable;

namespace Dekoro.Core.Editing;

/// <summary>
/// A curve from tone to tone, both 0 to 1 in sRGB, as values at equal steps with straight lines between: what a
/// browser's transfer table is (Filter Effects 1, feFuncR type="table"), so that what is seen in the room is what is
/// made.
/// </summary>
public sealed record ToneCurve
{
    /// <summary>How many values a curve has.</summary>
    public const int Points = 65;

    private ToneCurve(Func<double, double> at) =>
        Values = [.. Enumerable.Range(0, Points).Select(i => Math.Clamp(at((double)i / (Points - 1)), 0, 1))];

    /// <summary>The curve at evenly spaced points from 0 to 1.</summary>
    public ImmutableArray<double> Values { get; }

    /// <summary>Every tone as it is.</summary>
    public static ToneCurve Straight { get; } = new(x => x);

    /// <summary>A power: 100 halves the exponent, −100 doubles it.</summary>
    public static ToneCurve Light(int value) =>
        value == 0 ? Straight : new(x => Math.Pow(x, Math.Pow(2, -value / 100.0)));

    /// <summary>Towards the smooth step 3x² − 2x³, or half way towards middle grey.</summary>
    public static ToneCurve Contrast(int value) =>
        value switch
        {
            0 => Straight,
            > 0 => new(x => x + value / 100.0 * (x * x * (3 - 2 * x) - x)),
            _ => new(x => x - value / 200.0 * (0.5 - x)),
        };

    /// <summary>Lifts or deepens the dark half: x + a·x(1 − x)³.</summary>
    public static ToneCurve Shadows(int value) =>
        value == 0 ? Straight : new(x => x + value / 100.0 * (value > 0 ? 1.5 : 0.9) * x * Math.Pow(1 - x, 3));

    /// <summary>For red; blue takes the opposite.</summary>
    public static ToneCurve Warmth(int value) =>
        value == 0 ? Straight : new(x => Math.Pow(x, Math.Pow(2, -value / 250.0)));

    /// <summary>The curve at a tone from 0 to 1, between its points by straight lines.</summary>
    public double At(double x)
    {
        var at = Math.Clamp(x, 0, 1) * (Points - 1);
        var i = Math.Min((int)at, Points - 2);
        return Values[i] + (at - i) * (Values[i + 1] - Values[i]);
    }

    /// <inheritdoc/>
    public bool Equals(ToneCurve? other) => other is not null && Values.SequenceEqual(other.Values);

    /// <inheritdoc/>
    public override int GetHashCode() => Values[Points / 2].GetHashCode();
}
