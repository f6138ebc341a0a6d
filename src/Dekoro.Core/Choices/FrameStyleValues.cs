using System.Globalization;
using Dekoro.Core.Colour;

namespace Dekoro.Core.Choices;

/// <summary>A look as it is written: colours as #rrggbb, lengths in CSS px.</summary>
/// <param name="RoundPx">Four corners from the top left, clockwise.</param>
public sealed record FrameStyleValues(
    LineStyle Line = LineStyle.None,
    int LinePx = 0,
    string LineColour = "#000000",
    IReadOnlyList<int>? RoundPx = null,
    int PaddingPx = 0,
    string? Background = null,
    Shadow? Shadow = null
)
{
    /// <summary>The values of a look, as a form shows them.</summary>
    public static FrameStyleValues Of(FrameStyle look) =>
        new(
            look.Line,
            look.LinePx,
            look.LineColour.ToString(),
            [look.Round.TopLeft, look.Round.TopRight, look.Round.BottomRight, look.Round.BottomLeft],
            look.PaddingPx,
            look.Background?.ToString(),
            look.Shadow
        );

    /// <summary>The look that the values stand for, or what is wrong with them.</summary>
    public FrameStyleReading Read()
    {
        IReadOnlyList<int> round = RoundPx ?? [0, 0, 0, 0];
        var background = Srgb.Black;
        if (!Enum.IsDefined(Line))
            return Refused("A border is none, solid, dashed, dotted or double.");
        if (LinePx is < 0 or > FrameStyle.MaxLinePx)
            return Refused(
                string.Create(CultureInfo.InvariantCulture, $"A border is 0 to {FrameStyle.MaxLinePx} px wide.")
            );
        if (PaddingPx is < 0 or > FrameStyle.MaxPaddingPx)
            return Refused(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"Round a picture there are 0 to {FrameStyle.MaxPaddingPx} px."
                )
            );
        if (round.Count != 4 || round.Any(r => r is < 0 or > Corners.MaxPx))
            return Refused(
                string.Create(CultureInfo.InvariantCulture, $"Corners are four numbers from 0 to {Corners.MaxPx} px.")
            );
        if (
            Shadow is { } s
            && (
                s.DownPx is < 0 or > Choices.Shadow.MaxPx
                || s.BlurPx is < 0 or > Choices.Shadow.MaxPx
                || s.Percent is < 0 or > 100
            )
        )
            return Refused(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"A shadow falls 0 to {Choices.Shadow.MaxPx} px deep, is as soft, and 0 to 100 % dark."
                )
            );
        if (
            !Srgb.TryParse(LineColour, out var line)
            || (Background is not null && !Srgb.TryParse(Background, out background))
        )
            return Refused("A colour is written #rrggbb.");
        return new(
            new(
                Line,
                LinePx,
                line,
                new(round[0], round[1], round[2], round[3]),
                PaddingPx,
                Background is null ? null : background,
                Shadow
            ),
            null
        );

        static FrameStyleReading Refused(string sentence) => new(null, sentence);
    }
}
