using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>How one picture follows another.</summary>
public enum ChangeKind
{
    /// <summary>Pictures move sideways.</summary>
    [JsonStringEnumMemberName("slide")]
    Slide,

    /// <summary>Pictures move upwards.</summary>
    [JsonStringEnumMemberName("vertical")]
    Vertical,

    /// <summary>One picture fades into the next.</summary>
    [JsonStringEnumMemberName("fade")]
    Fade,

    /// <summary>At once.</summary>
    [JsonStringEnumMemberName("none")]
    None,
}
