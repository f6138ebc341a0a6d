using System.Globalization;
using Dekoro.Core.Colour;
using Dekoro.Core.Planning;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Checks;

/// <summary>Whether words over pictures and colours can be read.</summary>
internal static class BackdropChecks
{
    public static Notice? Of(BackdropPlan ground)
    {
        var hard = ground.HardToRead.ToList();
        if (hard.Count == 0)
            return null;
        var (_, worst) = hard.MinBy(h => h.Contrast.Ratio / h.Contrast.Needed);
        var on = WidthClasses.InWords(hard.Select(h => h.Class));
        var mend = ground.Mend switch
        {
            { } m when m.Words != ground.Block.Backdrop.Tone =>
                $"{m.Words.ToString().ToLowerInvariant()} words would be readable there",
            { } m when m.Tint != ground.Block.Backdrop.Tint => "a tint of another colour does it",
            { } => "set the least tint",
            null => "choose another picture or colour behind them",
        };
        return new(
            ground.Block.FigureId,
            string.Create(
                CultureInfo.InvariantCulture,
                $"The words of this {ground.Block.Noun} are hard to read on {on}: {Contrast.Shown(worst.Ratio)} : 1, "
                    + $"where they need {worst.Needed:0.#} : 1; {mend}."
            )
        );
    }
}
