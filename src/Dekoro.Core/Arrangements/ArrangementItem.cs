using Dekoro.Core.Calendar;
using Dekoro.Core.Choices;

namespace Dekoro.Core.Arrangements;

/// <param name="Id">Within the arrangement; stays with it for good.</param>
/// <param name="IsOn">False keeps it, with all its words, out of sight.</param>
/// <param name="Caption">Null takes the source that the whole set takes.</param>
public sealed record ArrangementItem(
    string Id,
    string AssetId,
    bool IsOn,
    AltChoice Alt,
    CaptionChoice? Caption,
    LinkChoice Link
)
{
    /// <summary>How long it stands as a slide, ms; null as long as the others.</summary>
    public int? StayMs { get; init; }

    /// <summary>A picture of its own that stands small as its step; null for the slide's.</summary>
    public string? StepAssetId { get; init; }

    /// <summary>When it is shown; null for always.</summary>
    public RunDates? Dates { get; init; }

    /// <summary>
    /// Whether it is shown on the day that is looked at: not kept, but worked out from <see cref="Dates"/>.
    /// </summary>
    public bool IsDue { get; init; } = true;

    /// <summary>
    /// A slide without a picture, on the colour that is the tint of others; a gallery shows none of it.
    /// </summary>
    public bool IsWordsAlone => AssetId.Length == 0;

    /// <summary>What is shown in the picture's stead once a visitor asks; null for the picture itself.</summary>
    public LightboxContent? Instead { get; init; }

    /// <summary>Words over it as a slide; null for none, and then its caption stands there.</summary>
    public SlideWords? Words { get; init; }
}
