using System.Text.Json.Serialization;

namespace Dekoro.Core.Media;

/// <summary>What is still to be mended about a picture, before it is placed anywhere.</summary>
public enum Mark
{
    /// <summary>No alt text.</summary>
    [JsonStringEnumMemberName("noAlt")]
    NoAlt,

    /// <summary>The title is the file's name still.</summary>
    [JsonStringEnumMemberName("fileNameAsTitle")]
    FileNameAsTitle,

    /// <summary>Not sharp.</summary>
    [JsonStringEnumMemberName("soft")]
    Soft,
}
