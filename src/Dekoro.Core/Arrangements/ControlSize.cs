using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>Size of buttons and steps.</summary>
public enum ControlSize
{
    /// <summary>The least that a finger still meets (WCAG 2.2, SC 2.5.8).</summary>
    [JsonStringEnumMemberName("small")]
    Small,

    /// <summary>The usual one.</summary>
    [JsonStringEnumMemberName("usual")]
    Usual,

    /// <summary>The largest.</summary>
    [JsonStringEnumMemberName("large")]
    Large,
}
