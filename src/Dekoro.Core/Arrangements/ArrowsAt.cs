using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>Where the buttons to the one before and after stand: below it, or over the pictures at its sides.</summary>
public enum ArrowsAt
{
    /// <summary>In a row under the pictures.</summary>
    [JsonStringEnumMemberName("below")]
    Below,

    /// <summary>Over the pictures, at their sides.</summary>
    [JsonStringEnumMemberName("inside")]
    Inside,

    /// <summary>Not there.</summary>
    [JsonStringEnumMemberName("none")]
    None,
}
