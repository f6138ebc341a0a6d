using System.Text.Json.Serialization;

namespace Dekoro.Core.Delivery;

/// <summary>Formats that files are made in.</summary>
public enum OutputFormat
{
    /// <summary>AV1 Image File Format.</summary>
    [JsonStringEnumMemberName("avif")]
    Avif,

    /// <summary>WebP (RFC 9649).</summary>
    [JsonStringEnumMemberName("webP")]
    WebP,

    /// <summary>JPEG (ITU-T T.81).</summary>
    [JsonStringEnumMemberName("jpeg")]
    Jpeg,

    /// <summary>PNG (ISO/IEC 15948).</summary>
    [JsonStringEnumMemberName("png")]
    Png,

    /// <summary>GIF 89a, for what moves.</summary>
    [JsonStringEnumMemberName("gif")]
    Gif,

    /// <summary>SVG, handed on as it is.</summary>
    [JsonStringEnumMemberName("svg")]
    Svg,
}
