using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Intake;

/// <param name="Key">Names the picture within its proposal.</param>
/// <param name="FileName">As it came; says nothing about its content.</param>
/// <param name="Words">What the source says of it; the title is empty where it says nothing.</param>
/// <param name="Content">Where its bytes are.</param>
public sealed record FoundPicture(string Key, string FileName, PictureMetadata Words, PictureContent Content)
{
    /// <summary>A keep area that came with it; null for none.</summary>
    public FocalRegion? Keep { get; init; }

    /// <summary>Edits that came with it; null for none.</summary>
    public Edits? Edits { get; init; }
}
