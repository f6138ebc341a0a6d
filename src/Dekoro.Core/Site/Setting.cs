using System.Text.Json.Serialization;

namespace Dekoro.Core.Site;

/// <summary>Where words stand: headings are set for the room they have.</summary>
public enum Setting
{
    /// <summary>In the column of text.</summary>
    [JsonStringEnumMemberName("column")]
    Column,

    /// <summary>In a cell of columns.</summary>
    [JsonStringEnumMemberName("cell")]
    Cell,

    /// <summary>In a band.</summary>
    [JsonStringEnumMemberName("band")]
    Band,
}
