using System.Text.Json.Serialization;

namespace Dekoro.Core.Arrangements;

/// <summary>A gallery shows all of a set; a slider one at a time; a carousel several in view, moving.</summary>
public enum ArrangementKind
{
    /// <summary>All pictures at once.</summary>
    [JsonStringEnumMemberName("gallery")]
    Gallery,

    /// <summary>One picture at a time.</summary>
    [JsonStringEnumMemberName("slider")]
    Slider,

    /// <summary>Several pictures at a time, in a row that moves.</summary>
    [JsonStringEnumMemberName("carousel")]
    Carousel,
}
