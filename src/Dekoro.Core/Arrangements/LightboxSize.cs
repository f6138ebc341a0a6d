using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>How wide the file is that the larger view opens.</summary>
public enum LightboxSize
{
    /// <summary>1280 px wide, for slow lines.</summary>
    [JsonStringEnumMemberName("lean")]
    Lean,

    /// <summary>1920 px wide, or the picture's own width.</summary>
    [JsonStringEnumMemberName("balanced")]
    Balanced,

    /// <summary>2560 px wide, as the widest screen.</summary>
    [JsonStringEnumMemberName("full")]
    Full,

    /// <summary>All pixels of the original.</summary>
    [JsonStringEnumMemberName("original")]
    Original,
}
