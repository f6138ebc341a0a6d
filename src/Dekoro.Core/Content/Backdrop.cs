using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>What stands behind words: a colour, a picture over it, and a tint over both.</summary>
/// <param name="Colour">Null: the page's own.</param>
/// <param name="AssetId">Null: no picture.</param>
/// <param name="VideoId">A file of the library that plays over the picture, silently and again and again; null for
/// none. It takes a picture, for those who want no movement.</param>
/// <param name="Repeats">A pattern: the picture is laid side by side at half its px, sharp on dense screens
/// too.</param>
/// <param name="TintStrength">0 to 256 for each class of screen.</param>
public sealed record Backdrop(
    Srgb? Colour,
    string? AssetId,
    bool Repeats,
    Srgb Tint,
    PerClass<int> TintStrength,
    WordsTone Tone,
    string? VideoId = null
)
{
    /// <summary>
    /// An arrangement whose pictures take the picture's place one after the other; null for none. It takes a picture,
    /// and no video.
    /// </summary>
    public string? SetId { get; init; }

    /// <summary>
    /// Another picture, or none; a video plays over a picture only, and others follow a picture only.
    /// </summary>
    public Backdrop WithPicture(string? assetId) =>
        assetId is null ? this with { AssetId = null, VideoId = null, SetId = null } : this with { AssetId = assetId };

    /// <summary>Nothing behind.</summary>
    public static Backdrop None { get; } = new(null, null, false, Srgb.Black, default, WordsTone.Dark);
}
