using System.Collections.Immutable;

namespace Dekoro.Core.Choices;

/// <summary>What a band has of its own on one class of screen; null is as everywhere.</summary>
/// <param name="AssetId">Another picture behind it.</param>
/// <param name="Keep">What has to be seen there of a picture behind it; of another picture it says nothing.</param>
/// <param name="Without">Ids of pieces of words that are neither drawn nor read there.</param>
public sealed record BandException(
    string? AssetId,
    DrawnCut? Keep,
    HorizontalAlign? Across,
    VerticalAlign? Down,
    ImmutableArray<string> Without
)
{
    /// <summary>Nothing is different at this width.</summary>
    public bool IsNone => AssetId is null && Keep is null && Across is null && Down is null && Without.IsDefaultOrEmpty;
}
