using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>Words over a ground take the site's ink, or its paper.</summary>
public enum WordsTone
{
    /// <summary>Dark words, for light pictures.</summary>
    [JsonStringEnumMemberName("dark")]
    Dark,

    /// <summary>Light words, for dark pictures.</summary>
    [JsonStringEnumMemberName("light")]
    Light,
}
