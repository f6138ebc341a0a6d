namespace Dekoro.Core.Choices;

/// <summary>Black, below what throws it.</summary>
/// <param name="Percent">How dark, 0 to 100.</param>
public readonly record struct Shadow(int DownPx, int BlurPx, int Percent)
{
    /// <summary>The farthest and softest, in CSS px.</summary>
    public const int MaxPx = 60;
}
