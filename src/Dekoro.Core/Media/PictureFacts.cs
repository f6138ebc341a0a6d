using Dekoro.Core.Geometry;

namespace Dekoro.Core.Media;

/// <summary>What the computation knows of a picture: measured once, when it comes in.</summary>
/// <param name="Size">As seen, orientation and edits applied.</param>
/// <param name="Bytes">Expected bytes of a WebP of the whole picture, by width.</param>
/// <param name="Sharpness">Variance of the Laplacian over contrast on a 512 px copy; null until measured.</param>
/// <param name="Keep">Keep area, drawn or guessed; null where there is none yet.</param>
/// <param name="Edition">Number of the version in use; 0 is the original.</param>
public sealed record PictureFacts(
    string Id,
    PictureFile File,
    PixelSize Size,
    BytesModel Bytes,
    double? Sharpness,
    FocalRegion? Keep,
    PictureMetadata Metadata,
    int Edition = 0
)
{
    /// <summary>
    /// Below this normalised Laplacian variance a picture counts as blurred (Imaging measures, Core judges).
    /// </summary>
    public const double BlurredBelow = 0.03;

    /// <inheritdoc cref="PictureFile.Name"/>
    public string FileName => File.Name;

    /// <inheritdoc cref="PictureFile.Format"/>
    public PictureFormat Format => File.Format;

    /// <inheritdoc cref="PictureFile.HasAlpha"/>
    public bool HasAlpha => File.HasAlpha;

    /// <inheritdoc cref="PictureFile.Frames"/>
    public int Frames => File.Frames;

    /// <inheritdoc cref="PictureFile.Bytes"/>
    public long FileBytes => File.Bytes;

    /// <summary>Whether it has several frames.</summary>
    public bool IsAnimated => Frames > 1;

    /// <summary>Drawn by the browser at any size from the one file.</summary>
    public bool IsVector => Format == PictureFormat.Svg;

    /// <summary>Why it has no versions; null where it can be edited.</summary>
    public string? WhyNotEdited =>
        this switch
        {
            { IsVector: true } =>
                "This is a drawing, sharp at any size: it is kept as it is. Its keep area can be set.",
            { IsAnimated: true } => "This picture moves: its frames are kept as they are. Its keep area can be set.",
            _ => null,
        };

    /// <summary>What is to be kept in every cut; its middle where nobody said.</summary>
    public FocalRegion KeepOrMiddle => Keep ?? FocalRegion.Middle;
}
