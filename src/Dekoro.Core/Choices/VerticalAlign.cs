using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>Where words stand in a band that is higher than they need.</summary>
public enum VerticalAlign
{
    /// <summary>At the upper edge.</summary>
    [JsonStringEnumMemberName("top")]
    Top,

    /// <summary>In the middle.</summary>
    [JsonStringEnumMemberName("middle")]
    Middle,

    /// <summary>At the lower edge.</summary>
    [JsonStringEnumMemberName("bottom")]
    Bottom,
}
