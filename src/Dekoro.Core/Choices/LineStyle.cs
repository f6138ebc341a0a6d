using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>Of a border, as CSS draws it.</summary>
public enum LineStyle
{
    /// <summary>No line.</summary>
    [JsonStringEnumMemberName("none")]
    None,

    /// <summary>One line, as in CSS.</summary>
    [JsonStringEnumMemberName("solid")]
    Solid,

    /// <summary>Dashes, as in CSS.</summary>
    [JsonStringEnumMemberName("dashed")]
    Dashed,

    /// <summary>Dots, as in CSS.</summary>
    [JsonStringEnumMemberName("dotted")]
    Dotted,

    /// <summary>Two lines, as in CSS.</summary>
    [JsonStringEnumMemberName("double")]
    Double,
}
