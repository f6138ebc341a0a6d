using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>Where the words of a picture stand; over it always, or while it is pointed at or has the focus.</summary>
public enum CaptionPlace
{
    /// <summary>Not there.</summary>
    [JsonStringEnumMemberName("none")]
    None,

    /// <summary>Under the picture.</summary>
    [JsonStringEnumMemberName("below")]
    Below,

    /// <summary>Over the picture's lower edge.</summary>
    [JsonStringEnumMemberName("over")]
    Over,

    /// <summary>Over the picture while it is pointed at or holds the focus.</summary>
    [JsonStringEnumMemberName("pointing")]
    Pointing,
}
