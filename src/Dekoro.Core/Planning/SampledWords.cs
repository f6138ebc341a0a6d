using Dekoro.Core.Colour;
using Dekoro.Core.Layout;

namespace Dekoro.Core.Planning;

/// <summary>What lies under a piece of words, and what contrast its letters need.</summary>
internal static class SampledWords
{
    public static WordsGround OnColour(Laid words, Srgb colour) =>
        new(NeededBy(words), [.. Enumerable.Repeat(colour, Readability.Parts)]);

    /// <param name="under">The mean colour under a square.</param>
    public static WordsGround Over(Laid words, Func<BoxPx, Srgb> under) =>
        new(
            NeededBy(words),
            [.. words.Lines.SelectMany(line => line.Squares(Readability.SamplePx)).SelectMany(PartsOf).Select(under)]
        );

    private static double NeededBy(Laid words) =>
        words.Style!.IsLarge(isBold: false) ? Readability.LargeNeeds : Readability.TextNeeds;

    private static IEnumerable<BoxPx> PartsOf(BoxPx square)
    {
        var side = square.Width / Readability.PartsAcross;
        for (var i = 0; i < Readability.Parts; i++)
            yield return new(
                square.Left + i % Readability.PartsAcross * side,
                square.Top + i / Readability.PartsAcross * side,
                side,
                side
            );
    }
}
