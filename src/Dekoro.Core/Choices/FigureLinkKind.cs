using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>What a press on a picture leads to.</summary>
public enum FigureLinkKind
{
    /// <summary>Nothing.</summary>
    [JsonStringEnumMemberName("none")]
    None,

    /// <summary>Its large file.</summary>
    [JsonStringEnumMemberName("largeFile")]
    LargeFile,

    /// <summary>A page of the site.</summary>
    [JsonStringEnumMemberName("page")]
    Page,

    /// <summary>An address.</summary>
    [JsonStringEnumMemberName("address")]
    Address,
}
