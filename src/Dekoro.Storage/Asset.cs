using System.Collections.Immutable;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Twins;

namespace Dekoro.Storage;

/// <summary>A picture as the library keeps it.</summary>
/// <param name="OriginalSize">Of the file as it is kept, orientation applied; the facts are those of the version in
/// use.</param>
/// <param name="Edits">Of the version in use.</param>
/// <param name="Look">What the original looks like, as it comes in; null of one that is there.</param>
/// <param name="AwaySince">Since when it is taken away; null while it is in the library.</param>
/// <param name="OwnAddress">Where it is on the public site even where no page shows it, from the root; null for
/// nowhere.</param>
/// <param name="Colours">Names of the colours the original shows, most first; null where they were never told.</param>
public sealed record Asset(
    PictureFacts Facts,
    string Sha256,
    string KeptSha256,
    string Colour,
    string? TakenOn,
    DateTimeOffset AddedAt,
    long Version,
    PixelSize OriginalSize,
    Edits Edits,
    Look? Look = null,
    DateTimeOffset? AwaySince = null,
    string AddedBy = "",
    ImmutableArray<string>? Colours = null,
    string? OwnAddress = null
)
{
    public string Id => Facts.Id;

    /// <inheritdoc cref="PictureFacts.IsKeepDrawn"/>
    public bool KeepByHand => Facts.IsKeepDrawn;
}
