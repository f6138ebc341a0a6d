namespace Dekoro.Core.Delivery;

/// <summary>Formats that files are made in.</summary>
public enum OutputFormat
{
    /// <summary>AV1 Image File Format.</summary>
    Avif,

    /// <summary>WebP (RFC 9649).</summary>
    WebP,

    /// <summary>JPEG (ITU-T T.81).</summary>
    Jpeg,

    /// <summary>PNG (ISO/IEC 15948).</summary>
    Png,

    /// <summary>GIF 89a, for what moves.</summary>
    Gif,

    /// <summary>SVG, handed on as it is.</summary>
    Svg,
}
