namespace Dekoro.Core.Colour;

/// <summary>Whether words over a picture can be read, and which tint makes them so.</summary>
public static class Readability
{
    /// <summary>Least contrast of text, and of large text (WCAG 2.2, SC 1.4.3).</summary>
    public const double TextNeeds = 4.5,
        LargeNeeds = 3;

    /// <summary>
    /// Side of the square over which colours are taken together, CSS px: about what an eye takes in with a letter.
    /// </summary>
    public const double SamplePx = 8;

    /// <summary>
    /// A tint lies over every px before an eye takes them together, so a square is told by 4 × 4 parts.
    /// </summary>
    public const int PartsAcross = 4,
        Parts = PartsAcross * PartsAcross;

    /// <summary>A tint's strength is told in 256 steps, the way browsers keep it.</summary>
    public const int Steps = 256;

    /// <summary>Past this a tint hides the picture, and a plain colour would do.</summary>
    public const int MaxStrength = (int)(0.85 * Steps);

    /// <summary>
    /// What a tint that is offered reaches beyond what is needed, so that it is not lost again by a rounding.
    /// </summary>
    public const double TintMargin = 0.1;

    private const double WorstShare = 0.05;

    /// <summary>What all but the worst twentieth reach or pass; at least one is given.</summary>
    public static double WorstOf(double[] ratios) => ratios.Order().ElementAt((int)(WorstShare * ratios.Length));

    /// <summary>The contrast of the words that are worst off; null where there are none.</summary>
    /// <param name="strength">Of the tint, 0 to <see cref="Steps"/>.</param>
    public static Contrast? Of(IReadOnlyList<WordsGround> grounds, Srgb words, Srgb tint, int strength)
    {
        var under = new Tinted(tint, strength);
        Contrast? worst = null;
        foreach (var ground in grounds.Where(g => !g.Below.IsEmpty))
        {
            var contrast = new Contrast(WorstOf(RatiosOf(ground, words, under)), ground.Needed);
            if (worst is not { } w || contrast.Ratio / contrast.Needed < w.Ratio / w.Needed)
                worst = contrast;
        }
        return worst;
    }

    /// <summary>
    /// The least strength from which every greater one up to <see cref="MaxStrength"/> is enough by
    /// <see cref="TintMargin"/>. Contrast does not only grow with a tint (dark words over a light picture lose before
    /// they win), so all steps are tried.
    /// </summary>
    /// <returns>Null where even the strongest does not do.</returns>
    public static int? LeastTint(IReadOnlyList<WordsGround> grounds, Srgb words, Srgb tint)
    {
        int? least = null;
        for (var strength = MaxStrength; strength >= 0; strength--)
        {
            var under = new Tinted(tint, strength);
            if (
                grounds.Any(g =>
                    RatiosOf(g, words, under) is var ratios
                    && ratios.Count(r => r < g.Needed + TintMargin) > (int)(WorstShare * ratios.Length)
                )
            )
                break;
            least = strength;
        }
        return least;
    }

    private static double[] RatiosOf(WordsGround ground, Srgb words, Tinted under)
    {
        var ink = words.Luminance;
        var ratios = new double[ground.Below.Length / Parts];
        for (var square = 0; square < ratios.Length; square++)
        {
            var sum = 0.0;
            for (var part = 0; part < Parts; part++)
                sum += under.LuminanceOf(ground.Below[square * Parts + part]);
            ratios[square] = Srgb.ContrastOf(ink, sum / Parts);
        }
        return ratios;
    }

    /// <summary>
    /// Luminances under one tint, by channel: a picture is asked for thousands of colours at every step.
    /// </summary>
    private sealed class Tinted
    {
        private readonly double[] _red = new double[256],
            _green = new double[256],
            _blue = new double[256];

        public Tinted(Srgb tint, int strength)
        {
            for (var i = 0; i < 256; i++)
            {
                var grey = tint.Over(new Srgb((byte)i, (byte)i, (byte)i), (double)strength / Steps);
                (_red[i], _green[i], _blue[i]) = (
                    new Srgb(grey.Red, 0, 0).Luminance,
                    new Srgb(0, grey.Green, 0).Luminance,
                    new Srgb(0, 0, grey.Blue).Luminance
                );
            }
        }

        public double LuminanceOf(Srgb below) => _red[below.Red] + _green[below.Green] + _blue[below.Blue];
    }
}
