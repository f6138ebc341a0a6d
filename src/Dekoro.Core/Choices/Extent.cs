using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>How far a structure reaches: over the column of text, or over the wider one.</summary>
public enum Extent
{
    /// <summary>As wide as the column of text.</summary>
    [JsonStringEnumMemberName("column")]
    Column,

    /// <summary>As wide as what is wide.</summary>
    [JsonStringEnumMemberName("wide")]
    Wide,
}
