using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>What leads to each stop: a dot, or its picture, small.</summary>
public enum Indicators
{
    /// <summary>Not there.</summary>
    [JsonStringEnumMemberName("none")]
    None,

    /// <summary>A dot for each step.</summary>
    [JsonStringEnumMemberName("dots")]
    Dots,

    /// <summary>A small picture for each step.</summary>
    [JsonStringEnumMemberName("pictures")]
    Pictures,
}
