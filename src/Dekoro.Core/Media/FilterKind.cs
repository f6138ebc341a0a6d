using System.Text.Json.Serialization;

namespace Dekoro.Core.Media;

/// <summary>What a filter asks of a picture.</summary>
public enum FilterKind
{
    /// <summary>In a folder.</summary>
    [JsonStringEnumMemberName("folder")]
    Folder,

    /// <summary>Of a shape: wide, tall or square.</summary>
    [JsonStringEnumMemberName("shape")]
    Shape,

    /// <summary>At least so many pixels wide.</summary>
    [JsonStringEnumMemberName("wider")]
    Wider,

    /// <summary>At least so many pixels high.</summary>
    [JsonStringEnumMemberName("taller")]
    Taller,

    /// <summary>Shown somewhere.</summary>
    [JsonStringEnumMemberName("used")]
    Used,

    /// <summary>Shown nowhere.</summary>
    [JsonStringEnumMemberName("unused")]
    Unused,

    /// <summary>Without alt text.</summary>
    [JsonStringEnumMemberName("noAlt")]
    NoAlt,

    /// <summary>Without a title.</summary>
    [JsonStringEnumMemberName("noTitle")]
    NoTitle,

    /// <summary>Not sharp.</summary>
    [JsonStringEnumMemberName("soft")]
    Soft,

    /// <summary>With another that looks the same.</summary>
    [JsonStringEnumMemberName("twin")]
    Twin,

    /// <summary>In the trash.</summary>
    [JsonStringEnumMemberName("away")]
    Away,

    /// <summary>With words in the credit.</summary>
    [JsonStringEnumMemberName("credit")]
    Credit,

    /// <summary>With a colour.</summary>
    [JsonStringEnumMemberName("colour")]
    Colour,

    /// <summary>Brought by a person.</summary>
    [JsonStringEnumMemberName("by")]
    By,

    /// <summary>Brought on a day or later.</summary>
    [JsonStringEnumMemberName("since")]
    Since,

    /// <summary>Brought on a day or before.</summary>
    [JsonStringEnumMemberName("until")]
    Until,

    /// <summary>Of a type of file.</summary>
    [JsonStringEnumMemberName("type")]
    Type,
}
