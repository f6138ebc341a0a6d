namespace Dekoro.Demo.Draw;

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
