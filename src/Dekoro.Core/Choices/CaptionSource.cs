using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>Where a caption's words come from.</summary>
public enum CaptionSource
{
    /// <summary>No caption.</summary>
    [JsonStringEnumMemberName("none")]
    None,

    /// <summary>The title in the library.</summary>
    [JsonStringEnumMemberName("title")]
    Title,

    /// <summary>The caption in the library.</summary>
    [JsonStringEnumMemberName("caption")]
    Caption,

    /// <summary>The description in the library.</summary>
    [JsonStringEnumMemberName("description")]
    Description,

    /// <summary>Who made it, as a line of its own under the picture.</summary>
    [JsonStringEnumMemberName("credit")]
    Credit,

    /// <summary>Words of this place alone.</summary>
    [JsonStringEnumMemberName("own")]
    Own,
}
