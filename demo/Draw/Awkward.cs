namespace Dekoro.Demo.Draw;

/// <summary>Files that are out of the ordinary, to be taken in all the same.</summary>
public enum Awkward
{
    No,
    Blurred,
    Sideways,
    Cmyk,
    Located,
    Transparent,
    Progressive,
}
