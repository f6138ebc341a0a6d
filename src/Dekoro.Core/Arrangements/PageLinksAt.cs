using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>Where the links to a gallery's other parts stand.</summary>
public enum PageLinksAt
{
    /// <summary>After the pictures.</summary>
    [JsonStringEnumMemberName("below")]
    Below,

    /// <summary>Before the pictures.</summary>
    [JsonStringEnumMemberName("above")]
    Above,

    /// <summary>Before and after them.</summary>
    [JsonStringEnumMemberName("both")]
    Both,
}
