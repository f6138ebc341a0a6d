namespace Dekoro.Core.Choices;

/// <summary>What a figure has of its own on one class of screen; null is as everywhere.</summary>
/// <param name="Hidden">Neither drawn nor fetched there.</param>
/// <param name="AssetId">Another picture.</param>
public sealed record FigureException(
    bool Hidden = false,
    string? AssetId = null,
    FigureSize? Size = null,
    HorizontalAlign? Side = null,
    bool? TextBeside = null,
    CutChoice? Cut = null
)
{
    /// <summary>Nothing is different at this width.</summary>
    public static FigureException None { get; } = new();
}
