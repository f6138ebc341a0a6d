using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>Where something stands across its room.</summary>
public enum HorizontalAlign
{
    /// <summary>At the left edge.</summary>
    [JsonStringEnumMemberName("left")]
    Left,

    /// <summary>In the middle.</summary>
    [JsonStringEnumMemberName("centre")]
    Centre,

    /// <summary>At the right edge.</summary>
    [JsonStringEnumMemberName("right")]
    Right,
}
