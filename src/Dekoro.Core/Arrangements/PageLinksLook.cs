using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>Links to a gallery's other parts as words alone, or with a line round each.</summary>
public enum PageLinksLook
{
    /// <summary>Words and numbers alone.</summary>
    [JsonStringEnumMemberName("words")]
    Words,

    /// <summary>Each in a box.</summary>
    [JsonStringEnumMemberName("boxes")]
    Boxes,
}
