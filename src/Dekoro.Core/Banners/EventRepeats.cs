using System.Text.Json.Serialization;

namespace Dekoro.Core.Banners;

/// <summary>How an event of a calendar comes back.</summary>
public enum EventRepeats
{
    /// <summary>It happens once.</summary>
    [JsonStringEnumMemberName("never")]
    Never,

    /// <summary>On the same days of every year.</summary>
    [JsonStringEnumMemberName("eachYear")]
    EachYear,

    /// <summary>On 29 February, in the years that have it.</summary>
    [JsonStringEnumMemberName("eachLeapDay")]
    EachLeapDay,
}
