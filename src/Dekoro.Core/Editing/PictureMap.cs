namespace Dekoro.Core.Editing;

/// <summary>
/// An affine map of the plane, written as CSS writes <c>matrix(a, b, c, d, e, f)</c>: x′ = ax + cy + e, y′ = bx + dy +
/// f.
/// </summary>
public readonly record struct PictureMap(double A, double B, double C, double D, double E, double F)
{
    /// <summary>Every point where it is.</summary>
    public static PictureMap Identity { get; } = new(1, 0, 0, 1, 0, 0);

    /// <summary>Where a point comes to stand.</summary>
    public (double X, double Y) Of(double x, double y) => (A * x + C * y + E, B * x + D * y + F);

    /// <summary>This map first, the other after it.</summary>
    public PictureMap Then(PictureMap next) =>
        new(
            next.A * A + next.C * B,
            next.B * A + next.D * B,
            next.A * C + next.C * D,
            next.B * C + next.D * D,
            next.A * E + next.C * F + next.E,
            next.B * E + next.D * F + next.F
        );

    /// <exception cref="InvalidOperationException">The map flattens the plane.</exception>
    public PictureMap Inverse()
    {
        var det = A * D - B * C;
        if (det == 0)
            throw new InvalidOperationException("A map that flattens the plane has no way back.");
        var (a, b, c, d) = (D / det, -B / det, -C / det, A / det);
        return new(a, b, c, d, -(a * E + c * F), -(b * E + d * F));
    }
}
