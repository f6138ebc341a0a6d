using System.Text.Json.Serialization;

namespace Dekoro.Core.Delivery;

/// <summary>How a picture will look.</summary>
public enum FitWord
{
    /// <summary>As sharp as the screen.</summary>
    [JsonStringEnumMemberName("sharp")]
    Sharp,

    /// <summary>A little soft.</summary>
    [JsonStringEnumMemberName("soft")]
    Soft,

    /// <summary>Its pixels can be seen.</summary>
    [JsonStringEnumMemberName("coarse")]
    Coarse,
}
