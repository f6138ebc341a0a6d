using System.Globalization;

namespace Dekoro.Core.Geometry;

/// <summary>Shares of the keep area lost at each side, 0 to 1.</summary>
public readonly record struct KeepLoss(double Left, double Top, double Right, double Bottom)
{
    /// <summary>Whether all of it stays.</summary>
    public bool IsNone => Left == 0 && Top == 0 && Right == 0 && Bottom == 0;

    /// <summary>The loss in words, the worst side first: "12 % cut at the top". Empty where nothing is lost.</summary>
    public string InWords() =>
        string.Join(
            ", ",
            new[] { ("left", Left), ("top", Top), ("right", Right), ("bottom", Bottom) }
                .Where(side => side.Item2 > 0)
                .OrderByDescending(side => side.Item2)
                .Select(side =>
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"{Math.Max(1, Math.Round(100 * side.Item2))} % cut at the {side.Item1}"
                    )
                )
        );
}
