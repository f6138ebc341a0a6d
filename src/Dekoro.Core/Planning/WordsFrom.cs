using System.Text.Json.Serialization;

namespace Dekoro.Core.Planning;

/// <summary>
/// Whose words they are: said in the arrangement, kept with the picture, or missing; or the picture says nothing on
/// purpose.
/// </summary>
public enum WordsFrom
{
    /// <summary>This place alone.</summary>
    [JsonStringEnumMemberName("own")]
    Own,

    /// <summary>The library.</summary>
    [JsonStringEnumMemberName("library")]
    Library,

    /// <summary>They are wanted and nowhere.</summary>
    [JsonStringEnumMemberName("missing")]
    Missing,

    /// <summary>None are wanted.</summary>
    [JsonStringEnumMemberName("nothing")]
    Nothing,
}
