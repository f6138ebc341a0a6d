using System.Text.Json.Serialization;

namespace Dekoro.Core.Planning;

/// <summary>When a browser fetches a picture: first of all, at once, or on scrolling near.</summary>
public enum Loading
{
    /// <summary>Before anything else: what is seen first.</summary>
    [JsonStringEnumMemberName("first")]
    First,

    /// <summary>With the page.</summary>
    [JsonStringEnumMemberName("atOnce")]
    AtOnce,

    /// <summary>When it is nearly in view.</summary>
    [JsonStringEnumMemberName("later")]
    Later,
}
