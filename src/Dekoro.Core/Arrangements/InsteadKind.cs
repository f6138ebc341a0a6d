using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>What is shown in a picture's stead.</summary>
public enum InsteadKind
{
    /// <summary>A film of the library.</summary>
    [JsonStringEnumMemberName("film")]
    Film,

    /// <summary>A video that another site plays.</summary>
    [JsonStringEnumMemberName("hosted")]
    Hosted,

    /// <summary>A page in a frame.</summary>
    [JsonStringEnumMemberName("page")]
    Page,

    /// <summary>Words.</summary>
    [JsonStringEnumMemberName("words")]
    Words,
}
