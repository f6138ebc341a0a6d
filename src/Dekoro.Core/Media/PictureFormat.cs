namespace Dekoro.Core.Media;

/// <summary>The kinds of picture file that are taken in.</summary>
public enum PictureFormat
{
    /// <summary>JPEG (ITU-T T.81).</summary>
    Jpeg,

    /// <summary>PNG (ISO/IEC 15948).</summary>
    Png,

    /// <summary>WebP (RFC 9649).</summary>
    WebP,

    /// <summary>AV1 Image File Format.</summary>
    Avif,

    /// <summary>GIF 89a.</summary>
    Gif,

    /// <summary>Scalable Vector Graphics.</summary>
    Svg,

    /// <summary>TIFF 6.0.</summary>
    Tiff,
}
