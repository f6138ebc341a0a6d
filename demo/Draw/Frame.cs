namespace Dekoro.Demo.Draw;

/// <summary>Which part of a scene is framed: fractions of its width and height.</summary>
public readonly record struct Frame(double X, double Y, double W, double H)
{
    public static readonly Frame Whole = new(0, 0, 1, 1);
}
