using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>A size by its part in the page; widths follow from the site's style.</summary>
public enum SizeRole
{
    /// <summary>A third of the column.</summary>
    [JsonStringEnumMemberName("third")]
    Third,

    /// <summary>Half of the column.</summary>
    [JsonStringEnumMemberName("half")]
    Half,

    /// <summary>The column of text.</summary>
    [JsonStringEnumMemberName("column")]
    Column,

    /// <summary>Wider than the column.</summary>
    [JsonStringEnumMemberName("wide")]
    Wide,

    /// <summary>From edge to edge of the screen.</summary>
    [JsonStringEnumMemberName("edge")]
    Edge,
}
