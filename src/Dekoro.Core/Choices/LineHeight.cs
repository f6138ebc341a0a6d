using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>How high a picture in a line is: as its letters, or as the whole line.</summary>
public enum LineHeight
{
    /// <summary>As high as the letters.</summary>
    [JsonStringEnumMemberName("letters")]
    Letters,

    /// <summary>As high as the line.</summary>
    [JsonStringEnumMemberName("line")]
    Line,
}
