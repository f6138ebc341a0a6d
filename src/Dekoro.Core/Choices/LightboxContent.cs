namespace Dekoro.Core.Choices;

/// <summary>
/// What a picture of a set stands for, shown once a visitor asks. Films play in the larger view or, where the picture
/// does not open it, in the picture's own place; pages and words are always shown in the larger view.
/// </summary>
public abstract record LightboxContent
{
    private LightboxContent() { }

    /// <summary>A file of the library.</summary>
    public sealed record Film(VideoChoice.Own Video, bool IsInPlace = false) : LightboxContent;

    /// <summary>A video that another site plays.</summary>
    public sealed record Hosted(VideoChoice.Hosted Video, bool IsInPlace = false) : LightboxContent;

    /// <summary>A page in a frame.</summary>
    /// <param name="Link">As it is written in the document: a page of this site, or an address over https.</param>
    public sealed record Page(string Link) : LightboxContent;

    /// <summary>Words instead of a picture.</summary>
    public sealed record Words(string Text) : LightboxContent;

    /// <summary>As a video that plays in the picture's place; null for what does not.</summary>
    public VideoChoice? InPlace =>
        this switch
        {
            Film film => film.Video,
            Hosted hosted => hosted.Video,
            _ => null,
        };

    /// <summary>
    /// Whether it plays in the picture's place where the others of its set open the larger view; what starts itself
    /// always does.
    /// </summary>
    public bool StaysInPlace =>
        this is Film { IsInPlace: true } or Film { Video.StartsItself: true } or Hosted { IsInPlace: true };
}
