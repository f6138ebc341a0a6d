using Dekoro.Core.Geometry;

namespace Dekoro.Core.Media;

/// <summary>What the computation knows of a picture: measured once, when it comes in.</summary>
/// <param name="Size">As seen, orientation and edits applied.</param>
/// <param name="Bytes">Expected bytes of a WebP of the whole picture, by width.</param>
/// <param name="EdgePx">Width of its sharpest edges, px; 0 where it has too few to tell, null until measured.</param>
/// <param name="Keep">Keep area, drawn or guessed; null where there is none yet.</param>
/// <param name="Edition">Number of the version in use; 0 is the original.</param>
public sealed record PictureFacts(
    string Id,
    PictureFile File,
    PixelSize Size,
    BytesModel Bytes,
    double? EdgePx,
    FocalRegion? Keep,
    PictureMetadata Metadata,
    int Edition = 0
)
{
    /// <summary>Width of the edges of a file that is well focused, px (Imaging measures, Core judges).</summary>
    public const double FocusedEdgePx = 2.5;

    /// <summary>From this width of its sharpest edges a picture counts as blurred: half of its px count.</summary>
    public const double BlurredFromEdgePx = 2 * FocusedEdgePx;

    /// <summary>Blur is a loss of px: of those across the picture, the share that shows anything.</summary>
    public double ShareOfPx => !IsVector && EdgePx is > FocusedEdgePx and var px ? FocusedEdgePx / px : 1;

    /// <summary>Px across a cut of it that count.</summary>
    public double CountedPxOf(Cut cut) => cut.Width * ShareOfPx;

    /// <summary>Whether blur limits it in most places.</summary>
    public bool IsBlurred => !IsVector && EdgePx >= BlurredFromEdgePx;

    /// <summary>The keep area was drawn by a person, and is no guess.</summary>
    public bool IsKeepDrawn { get; init; }

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
