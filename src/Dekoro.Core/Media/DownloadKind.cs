using System.Text.Json.Serialization;

namespace Dekoro.Core.Media;

/// <summary>The kinds of file that are kept and linked but are no pictures.</summary>
public enum DownloadKind
{
    /// <summary>A PDF.</summary>
    [JsonStringEnumMemberName("pdf")]
    Pdf,

    /// <summary>A sound.</summary>
    [JsonStringEnumMemberName("sound")]
    Sound,

    /// <summary>A film.</summary>
    [JsonStringEnumMemberName("video")]
    Video,

    /// <summary>A packed archive.</summary>
    [JsonStringEnumMemberName("archive")]
    Archive,

    /// <summary>A text, table or show of an office.</summary>
    [JsonStringEnumMemberName("office")]
    Office,

    /// <summary>Plain text.</summary>
    [JsonStringEnumMemberName("text")]
    Text,
}
