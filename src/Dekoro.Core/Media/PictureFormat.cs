using System.Text.Json.Serialization;

namespace Dekoro.Core.Media;

/// <summary>The kinds of picture file that are taken in.</summary>
public enum PictureFormat
{
    /// <summary>JPEG (ITU-T T.81).</summary>
    [JsonStringEnumMemberName("jpeg")]
    Jpeg,

    /// <summary>PNG (ISO/IEC 15948).</summary>
    [JsonStringEnumMemberName("png")]
    Png,

    /// <summary>WebP (RFC 9649).</summary>
    [JsonStringEnumMemberName("webP")]
    WebP,

    /// <summary>AV1 Image File Format.</summary>
    [JsonStringEnumMemberName("avif")]
    Avif,

    /// <summary>GIF 89a.</summary>
    [JsonStringEnumMemberName("gif")]
    Gif,

    /// <summary>Scalable Vector Graphics.</summary>
    [JsonStringEnumMemberName("svg")]
    Svg,

    /// <summary>TIFF 6.0.</summary>
    [JsonStringEnumMemberName("tiff")]
    Tiff,
}
