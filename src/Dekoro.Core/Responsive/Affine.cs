using System.Globalization;

namespace Dekoro.Core.Responsive;

/// <summary>
/// The length A·c + B px, c being the inline size of the container (or the viewport). Sums, shares, gutters and padding
/// keep a length affine, so that a layout computed once is exact at every width.
/// </summary>
/// <param name="A">Share of the container.</param>
/// <param name="B">CSS px added to it.</param>
public readonly record struct Affine(double A, double B)
{
    /// <summary>All of the container.</summary>
    public static Affine Container { get; } = new(1, 0);

    /// <summary>A fixed length.</summary>
    public static Affine Px(double px) => new(0, px);

    /// <summary>The length in a container, in CSS px.</summary>
    public double At(double containerCssPx) => A * containerCssPx + B;

    /// <summary>This length, measured in a container that is itself affine in an outer one.</summary>
    public Affine Within(Affine container) => new(A * container.A, A * container.B + B);

    /// <summary>A share f of a container with gutters g between its parts: f·(c + g) − g.</summary>
    public static Affine Part(double f, double gutterPx) => new(f, f * gutterPx - gutterPx);

    /// <summary>The sum at every container.</summary>
    public static Affine operator +(Affine x, Affine y) => new(x.A + y.A, x.B + y.B);

    /// <summary>The difference at every container.</summary>
    public static Affine operator -(Affine x, Affine y) => new(x.A - y.A, x.B - y.B);

    /// <summary>So many times the length.</summary>
    public static Affine operator *(double k, Affine x) => new(k * x.A, k * x.B);

    /// <summary>Where two lengths are equal; null where they are parallel.</summary>
    public double? Crossing(Affine other) => Math.Abs(A - other.A) < 1e-12 ? null : (other.B - B) / (A - other.A);

    /// <summary>Whether the two are the same but for rounding.</summary>
    public bool Near(Affine other) => Math.Abs(A - other.A) < 1e-9 && Math.Abs(B - other.B) < 1e-7;

    /// <summary>
    /// As CSS, with <paramref name="unit"/> for a hundredth of the container (vw, cqi, %); six decimals.
    /// </summary>
    public string ToCss(string unit)
    {
        var (share, px) = (Number(100 * A), Number(B));
        return (share, px) switch
        {
            ("0", _) => px + "px",
            (_, "0") => share + unit,
            _ when B < 0 => $"calc({share}{unit} - {Number(-B)}px)",
            _ => $"calc({share}{unit} + {px}px)",
        };
    }

    internal static string Number(double value)
    {
        var text = value.ToString("0.######", CultureInfo.InvariantCulture);
        return text == "-0" ? "0" : text;
    }
}
