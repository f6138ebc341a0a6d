namespace Dekoro.Core.Media;

/// <summary>Expected bytes of an encoding as a function of its width: β·w^γ.</summary>
public readonly record struct BytesModel
{
    /// <summary>γ until two encodings of the picture have been measured.</summary>
    public const double UnmeasuredGamma = 1.7;

    /// <exception cref="ArgumentOutOfRangeException">A coefficient that is not finite and positive.</exception>
    public BytesModel(double beta, double gamma)
    {
        if (!(double.IsFinite(beta) && beta > 0))
            throw new ArgumentOutOfRangeException(nameof(beta));
        if (!(double.IsFinite(gamma) && gamma > 0))
            throw new ArgumentOutOfRangeException(nameof(gamma));
        (Beta, Gamma) = (beta, gamma);
    }

    /// <summary>Bytes at one pixel.</summary>
    public double Beta { get; }

    /// <summary>How they grow with the width: near 2 for noise, near 1 for plain pictures.</summary>
    public double Gamma { get; }

    /// <summary>Foretold bytes of a file of this width.</summary>
    public double At(double widthPx) => Beta * Math.Pow(widthPx, Gamma);

    /// <summary>
    /// Before any measurement: 0.12 bytes a pixel at 1000 px of width, a photograph's usual weight as WebP.
    /// </summary>
    public static BytesModel Unmeasured(double heightOverWidth) =>
        new(0.12 * heightOverWidth * 1e6 / Math.Pow(1000, UnmeasuredGamma), UnmeasuredGamma);

    /// <summary>
    /// Through two real encodings. γ is held between 0.8 and 2.4, so that a strange pair does not mislead.
    /// </summary>
    public static BytesModel Through(double width1, double bytes1, double width2, double bytes2)
    {
        var gamma =
            Math.Abs(Math.Log(width2 / width1)) < 0.1
                ? UnmeasuredGamma
                : Math.Clamp(Math.Log(bytes2 / bytes1) / Math.Log(width2 / width1), 0.8, 2.4);
        return new(bytes2 / Math.Pow(width2, gamma), gamma);
    }

    /// <summary>The same picture, cut: at equal width the bytes follow the height.</summary>
    public BytesModel ForCut(double cutHeightOverWidth, double wholeHeightOverWidth) =>
        new(Beta * cutHeightOverWidth / wholeHeightOverWidth, Gamma);
}
