namespace Dekoro.Demo.Draw;

/// <summary>One picture to draw. The ending of <paramref name="File"/> says the format.</summary>
/// <param name="Width">Px of the finished file, before any turn.</param>
/// <param name="Awkward">What is wrong with it on purpose.</param>
public sealed record Recipe(
    string File,
    string Scene,
    int Width,
    Light Light,
    Frame Frame,
    bool Mirror = false,
    double Grain = 4,
    int Quality = 77,
    Awkward Awkward = Awkward.No
)
{
    public string? Title { get; init; }
    public string? Credit { get; init; }
}
