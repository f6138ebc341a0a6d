using System.Text.Json.Serialization;

namespace Dekoro.Core.Responsive;

/// <summary>The three kinds of screen, by viewport width.</summary>
public enum WidthClass
{
    /// <summary>Narrow screens.</summary>
    [JsonStringEnumMemberName("phone")]
    Phone,

    /// <summary>Middling screens.</summary>
    [JsonStringEnumMemberName("tablet")]
    Tablet,

    /// <summary>Wide screens.</summary>
    [JsonStringEnumMemberName("desktop")]
    Desktop,
}
