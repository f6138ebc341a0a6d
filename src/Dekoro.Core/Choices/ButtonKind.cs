using System.Text.Json.Serialization;

namespace Dekoro.Core.Choices;

/// <summary>Filled with a colour, or drawn as a line.</summary>
public enum ButtonKind
{
    /// <summary>A plate in the site's colour.</summary>
    [JsonStringEnumMemberName("filled")]
    Filled,

    /// <summary>A line around the words.</summary>
    [JsonStringEnumMemberName("outline")]
    Outline,
}
