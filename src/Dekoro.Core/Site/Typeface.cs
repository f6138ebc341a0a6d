using System.Text.Json.Serialization;

namespace Dekoro.Core.Site;

/// <summary>The typefaces that a site may be set in: they ship with it, and are measured.</summary>
public enum Typeface
{
    /// <summary>Newsreader, with serifs, made for long texts.</summary>
    [JsonStringEnumMemberName("newsreader")]
    Newsreader,

    /// <summary>Source Sans 3, without serifs, quiet and narrow.</summary>
    [JsonStringEnumMemberName("sourceSans")]
    SourceSans,

    /// <summary>Figtree, without serifs, round and wide.</summary>
    [JsonStringEnumMemberName("figtree")]
    Figtree,
}
