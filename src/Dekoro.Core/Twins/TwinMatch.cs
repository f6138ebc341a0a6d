using System.Collections.Immutable;

namespace Dekoro.Core.Twins;

/// <summary>How two pictures lie on each other where they are most alike.</summary>
/// <param name="InFirst">What of the first the second shows; all of it, or a little less.</param>
/// <param name="InSecond">The same of the second.</param>
/// <param name="IsMirrored">Left and right of one are exchanged.</param>
/// <param name="Light">Normalised cross-correlation of their light, -1 to 1.</param>
/// <param name="Detail">The same of what is left without the mean of all round.</param>
/// <param name="DetailSteps">How strong that detail is, in steps of 255.</param>
/// <param name="OpacityApart">How much they differ in what can be seen through, on the mean, in steps of 255.</param>
/// <param name="Channels">Red, green and blue.</param>
public sealed record TwinMatch(
    View InFirst,
    View InSecond,
    bool IsMirrored,
    double Light,
    double Detail,
    double DetailSteps,
    double OpacityApart,
    ImmutableArray<ToneFit> Channels
)
{
    /// <remarks>
    /// Set between changed copies of real pictures and different pictures that look alike (bench/Judgement): colour
    /// versions of one drawing, logos on one ground, gradients.
    /// </remarks>
    private const double LeastLight = 0.95,
        LeastDetail = 0.91,
        MostOpacityApart = 20,
        MostUnlike = 30,
        MostChange = 60,
        LeastGain = 0.4,
        MostGain = 2.5,
        MostTint = 60;

    /// <summary>With less detail than this, only what is the same in its tones too is the same.</summary>
    private const double PlainBelowSteps = 1.5,
        MostPlainUnlike = 4,
        MostPlainChange = 8;

    /// <summary>How wide the second is drawn beside the first, so that the same stands at the same scale.</summary>
    public double Scale => InFirst.Width / InSecond.Width;

    /// <summary>Whether it is one picture, twice: as it was, tinted, brightened, mirrored or a little cut.</summary>
    public bool AreTwins =>
        Light >= LeastLight
        && OpacityApart <= MostOpacityApart
        && (DetailSteps < PlainBelowSteps ? Channels.All(IsSame) : Detail >= LeastDetail && Channels.All(IsToned))
        && Tint <= MostTint;

    /// <summary>How far its colours lean another way, in steps of 255.</summary>
    private double Tint => Channels.Max(c => c.Change) - Channels.Min(c => c.Change);

    private static bool IsSame(ToneFit fit) => fit.Unlike <= MostPlainUnlike && Math.Abs(fit.Change) <= MostPlainChange;

    private static bool IsToned(ToneFit fit) =>
        fit is { Unlike: <= MostUnlike, Gain: >= LeastGain and <= MostGain } && Math.Abs(fit.Change) <= MostChange;

    /// <summary>From these on a person sees it: share of a side, and steps of 255.</summary>
    private const double SeenCut = 0.015,
        SeenSteps = 6;

    /// <summary>What the second has otherwise than the first.</summary>
    public IEnumerable<TwinDifference> InSecondOtherwise()
    {
        if (IsMirrored)
            yield return TwinDifference.Mirrored;
        if (Math.Min(InFirst.Width, InFirst.Height) < 1 - SeenCut)
            yield return TwinDifference.Cut;
        var light = Channels.Average(c => c.Change);
        if (Math.Abs(light) >= SeenSteps)
            yield return light > 0 ? TwinDifference.Lighter : TwinDifference.Darker;
        if (Tint >= 2 * SeenSteps)
            yield return TwinDifference.Tinted;
    }
}
